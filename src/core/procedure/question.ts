/** What a procedure may put to a decision. Closed: conditions, documents and the ticket hang on these names. */
export const QUESTIONS = [
  /** A channel's span failed twice. */
  'failedChannel',
  /** A channel's zero failed twice. */
  'failedZero',
  /** It failed after the last means, too. */
  'lastResort',
  /** What the instrument was told to keep was lost twice. */
  'notSaved',
  /** A check of accuracy found it outside. */
  'outside',
  /** An air blank is not zero. */
  'blank',
  /** Take the meter's calibration, or leave it. */
  'apply',
  /** What a station did. */
  'work',
  /** A bump failed, in procedures of before; today every failed bump opens `follows`. */
  'afterBump',
  /** An answer or a bump is bad: what follows. */
  'follows',
  'failed-quick',
  'failed-ph',
  'failed-ec',
  'failed-oxygen',
  'failed-ion',
  'failed-turbidity',
] as const;
export type QuestionId = (typeof QUESTIONS)[number];
