import { ANSWER_PAGE } from './answer-page';
import { BUDGET } from './budget';
import { CERTIFICATE } from './certificate';
import { CHANGED } from './changed';
import { DEVIATIONS } from './deviations';
import { DOCUMENT } from './document';
import { JUDGEMENT } from './judgement';
import { LABELS } from './labels';
import { LETTERS } from './letters';
import { MAIL_TEXTS } from './mail-texts';
import { MEASURANDS } from './measurands';
import { NOT_PLAIN } from './not-plain';
import { NOTICE } from './notice';
import { RECALL_LETTER } from './recall-letter';
import { REMARKS } from './remarks';
import { SERVICES } from './services';
import { SOURCES } from './sources';
import { STATUS } from './status';

/** The German catalogue: what leaves the house. The same files and codes as the English one has for it. */
export const DE = {
  'answer-page': ANSWER_PAGE,
  budget: BUDGET,
  certificate: CERTIFICATE,
  changed: CHANGED,
  deviations: DEVIATIONS,
  document: DOCUMENT,
  judgement: JUDGEMENT,
  labels: LABELS,
  letters: LETTERS,
  'mail-texts': MAIL_TEXTS,
  measurands: MEASURANDS,
  'not-plain': NOT_PLAIN,
  notice: NOTICE,
  'recall-letter': RECALL_LETTER,
  remarks: REMARKS,
  services: SERVICES,
  sources: SOURCES,
  status: STATUS,
} as const;
