/** What may follow a bad answer or a failed bump. */
export const FOLLOWS = ['mend', 'remark', 'service', 'outOfService', 'return', 'calibrate'] as const;
export type Follow = (typeof FOLLOWS)[number];

/** What ends the run at once: the whole instrument goes this way. */
export const ENDINGS = ['service', 'outOfService', 'return'] as const;
export type Ending = (typeof ENDINGS)[number];
export const isEnding = (follow: string | undefined): follow is Ending =>
  (ENDINGS as readonly (string | undefined)[]).includes(follow);

/** Which answers are bad: the negative one (no, fault), the positive one, a number further from zero, or other than what the run says it has to be. */
export type BadWhen = 'negative' | 'positive' | { beyond: string } | { differsFrom: 'spanTarget' | 'agreed' };

export interface BadAnswer {
  when: BadWhen;
  follows: Follow[];
  /** Channel roles whose series begins anew when it is put right: a new glass, a new membrane. */
  resets?: string[];
}

/** An answer as it was recorded, with what it had to be where the run knew. */
export interface AnswerGiven {
  value: string;
  expected?: string;
}

/**
 * Whether an answer is one that something has to follow.
 * Errors: none; a text that is no number is never beyond.
 *
 * @example
 * isBad({ when: 'negative', follows: ['mend'] }, { value: 'no' }) // true
 * isBad({ when: { beyond: '60' }, follows: ['mend'] }, { value: '-61' }) // true
 */
export function isBad({ when }: BadAnswer, { value, expected }: AnswerGiven): boolean {
  if (when === 'negative') return value === 'no' || value === 'fault';
  if (when === 'positive') return value === 'yes';
  if ('beyond' in when) return Math.abs(Number(value)) > Number(when.beyond);
  return expected !== undefined && Number(expected) !== Number(value);
}
