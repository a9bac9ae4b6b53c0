import { ACCOUNT } from './account';
import { ASSETS } from './assets';
import { BENCH } from './bench';
import { BLANK_SHEET } from './blank-sheet';
import { BUDGET } from './budget';
import { CERTIFICATE } from './certificate';
import { CHECK } from './check';
import { CUSTOMERS } from './customers';
import { DID } from './did';
import { EXPORT } from './export';
import { FIND } from './find';
import { IMPORTS } from './imports';
import { JUDGEMENT } from './judgement';
import { MEASURANDS } from './measurands';
import { MODELS } from './models';
import { OFFICE } from './office';
import { PAPER_WORDS } from './paper';
import { PROCEDURES_WORDS } from './procedures';
import { REFUSALS } from './refusals';
import { SETUP } from './setup';
import { TARGETS } from './targets';
import { TICKETS } from './tickets';

/** The English catalogue: one sentence a code, figures in braces (ICU). */
export const EN = {
  ...ACCOUNT,
  ...ASSETS,
  ...BENCH,
  ...BLANK_SHEET,
  ...BUDGET,
  ...CERTIFICATE,
  ...CHECK,
  ...CUSTOMERS,
  ...DID,
  ...EXPORT,
  ...FIND,
  ...IMPORTS,
  ...JUDGEMENT,
  ...MEASURANDS,
  ...MODELS,
  ...OFFICE,
  ...PAPER_WORDS,
  ...PROCEDURES_WORDS,
  ...REFUSALS,
  ...SETUP,
  ...TARGETS,
  ...TICKETS,
} as const;

export type WordCode = keyof typeof EN;
