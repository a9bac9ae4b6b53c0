/** Mails and letters whose text the office may write. A notice and a recall's first words are written anew each time, by who releases them. */
export const LETTER_KINDS = [
  'reminder',
  'bump',
  'document',
  'withoutCalibration',
  'revised',
  'withdrawn',
  'offer',
  'asked',
  'windowLink',
] as const;
export type LetterKind = (typeof LETTER_KINDS)[number];

export interface Places {
  /** Must stand in the text: without it the letter has no use, or no caution. */
  must: readonly string[];
  may: readonly string[];
}

/** What can be put into the text of each kind. Those of several lines can't stand in a subject. */
export const PLACES: Readonly<Record<LetterKind, Places>> = {
  reminder: { must: ['instruments', 'caution', 'wayOut'], may: ['greeting', 'count', 'customer', 'booking', 'workshop'] },
  bump: { must: ['instruments', 'caution', 'wayOut'], may: ['greeting', 'count', 'customer', 'workshop'] },
  document: { must: ['number'], may: ['greeting', 'instrument', 'statements', 'ready', 'workshop'] },
  withoutCalibration: { must: ['number'], may: ['greeting', 'instrument', 'ready', 'workshop'] },
  revised: { must: ['number', 'reason'], may: ['workshop'] },
  withdrawn: { must: ['withdrawn', 'number', 'reason', 'caution'], may: ['workshop'] },
  offer: { must: ['positions', 'total'], may: ['number', 'instrument', 'ticket', 'finding', 'answer', 'workshop'] },
  asked: { must: ['question', 'answer'], may: ['greeting', 'customer', 'workshop'] },
  windowLink: { must: ['link', 'until'], may: ['greeting', 'house', 'customer', 'workshop'] },
};

/** Places that hold several lines. */
export const BLOCKS = ['instruments', 'statements', 'positions', 'finding', 'question', 'workshop', 'caution', 'wayOut'] as const;

export interface LetterText {
  subject: string;
  body: string;
}
