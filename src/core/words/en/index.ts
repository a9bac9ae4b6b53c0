import { ADVICE } from './advice';
import { ACCOUNT } from './account';
import { ANSWER_PAGE } from './answer-page';
import { ANSWERS } from './answers';
import { ASSETS } from './assets';
import { ASSIGN } from './assign';
import { BAR } from './bar';
import { BENCH } from './bench';
import { BOOKINGS } from './bookings';
import { BLANK_SHEET } from './blank-sheet';
import { BUDGET } from './budget';
import { BUDGETS_ROOM } from './budgets-room';
import { CARE } from './care';
import { CERTIFICATE } from './certificate';
import { CERTIFICATES_ROOM } from './certificates-room';
import { CHECK } from './check';
import { CONDITIONS } from './conditions';
import { EDITOR } from './editor';
import { WALK } from './walk';
import { CORRECT } from './correct';
import { CUSTOMERS } from './customers';
import { DAY } from './day';
import { COMPETENCE } from './competence';
import { CONDUCTOR } from './conductor';
import { CONTROL } from './control';
import { DEVIATIONS } from './deviations';
import { DID } from './did';
import { CHANGED } from './changed';
import { DOCUMENT } from './document';
import { DOCUMENT_KINDS } from './document-kinds';
import { DOOR } from './door';
import { DOORS } from './doors';
import { DUE } from './due';
import { EXPORT } from './export';
import { FEEDS } from './feeds';
import { FILES } from './files';
import { FIND } from './find';
import { FROM_PAPER } from './from-paper';
import { HOUSE } from './house';
import { IMPORTS } from './imports';
import { JOBS } from './jobs';
import { LABELS } from './labels';
import { LETTERS } from './letters';
import { MAIL_TEXTS } from './mail-texts';
import { MAILS_ROOM } from './mails-room';
import { LISTS } from './lists';
import { INSTALLATION } from './installation';
import { JUDGEMENT } from './judgement';
import { KEYS } from './keys';
import { LOCK } from './lock';
import { MEASURANDS } from './measurands';
import { LOT_OUTLOOK } from './lot-outlook';
import { MODEL_OUTLOOK } from './model-outlook';
import { MODELS } from './models';
import { MONEY_WORDS } from './money';
import { NOT_PLAIN } from './not-plain';
import { PAPER_WORDS } from './paper';
import { OFFICE_PAPERS } from './office-papers';
import { PRACTICE_END } from './practice-end';
import { PRACTICE_WORDS } from './practice';
import { PRACTICE_DEBRIEF_WORDS } from './practice-debrief';
import { PRACTICE_EXERCISE_WORDS } from './practice-exercise';
import { PLAN } from './plan';
import { PROCEDURES_WORDS } from './procedures';
import { PROGRAMS } from './programs';
import { REORDER } from './reorder';
import { RECEIPTS } from './receipts';
import { NOTICE } from './notice';
import { QUESTIONS } from './questions';
import { RECALL } from './recall';
import { RECALL_LETTER } from './recall-letter';
import { RETURNS } from './returns';
import { REFUSALS } from './refusals';
import { REFUSALS_ACTS } from './refusals-acts';
import { REGISTER } from './register';
import { REMARKS } from './remarks';
import { RETIRE } from './retire';
import { SAMPLES } from './samples';
import { SHELF } from './shelf';
import { SERVICES } from './services';
import { SETUP } from './setup';
import { SIGN } from './sign';
import { SOURCES } from './sources';
import { STATION } from './station';
import { STOCK } from './stock';
import { STATUS } from './status';
import { SUPPLIERS } from './suppliers';
import { TARGETS } from './targets';
import { TICKETS } from './tickets';
import { WINDOW } from './window';
import { WITNESS } from './witness';
import { WHY } from './why';

/** The English catalogue: one sentence a code, figures in braces (ICU). */
export const EN = {
  ...ACCOUNT,
  ...ANSWER_PAGE,
  ...ANSWERS,
  ...ASSETS,
  ...ASSIGN,
  ...BAR,
  ...BENCH,
  ...BOOKINGS,
  ...BLANK_SHEET,
  ...BUDGET,
  ...BUDGETS_ROOM,
  ...CARE,
  ...CERTIFICATE,
  ...CERTIFICATES_ROOM,
  ...CHECK,
  ...CONDITIONS,
  ...EDITOR,
  ...WALK,
  ...CORRECT,
  ...CUSTOMERS,
  ...DAY,
  ...DEVIATIONS,
  ...ADVICE,
  ...COMPETENCE,
  ...CONDUCTOR,
  ...PLAN,
  ...REORDER,
  ...CONTROL,
  ...LOT_OUTLOOK,
  ...MODEL_OUTLOOK,
  ...DID,
  ...CHANGED,
  ...DOCUMENT,
  ...DOCUMENT_KINDS,
  ...DOOR,
  ...DOORS,
  ...DUE,
  ...EXPORT,
  ...FEEDS,
  ...FILES,
  ...FIND,
  ...FROM_PAPER,
  ...HOUSE,
  ...JOBS,
  ...LABELS,
  ...LETTERS,
  ...MAIL_TEXTS,
  ...MAILS_ROOM,
  ...REGISTER,
  ...LISTS,
  ...IMPORTS,
  ...INSTALLATION,
  ...JUDGEMENT,
  ...KEYS,
  ...LOCK,
  ...MEASURANDS,
  ...MODELS,
  ...MONEY_WORDS,
  ...NOT_PLAIN,
  ...PAPER_WORDS,
  ...PRACTICE_END,
  ...PRACTICE_WORDS,
  ...PRACTICE_DEBRIEF_WORDS,
  ...PRACTICE_EXERCISE_WORDS,
  ...PROCEDURES_WORDS,
  ...OFFICE_PAPERS,
  ...PROGRAMS,
  ...RECEIPTS,
  ...NOTICE,
  ...QUESTIONS,
  ...RECALL,
  ...RECALL_LETTER,
  ...RETURNS,
  ...REFUSALS,
  ...REFUSALS_ACTS,
  ...REMARKS,
  ...RETIRE,
  ...SAMPLES,
  ...SHELF,
  ...SERVICES,
  ...SETUP,
  ...SIGN,
  ...SOURCES,
  ...STATION,
  ...STOCK,
  ...STATUS,
  ...SUPPLIERS,
  ...TARGETS,
  ...TICKETS,
  ...WINDOW,
  ...WITNESS,
  ...WHY,
} as const;

export type WordCode = keyof typeof EN;
