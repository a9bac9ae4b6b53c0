/** A piece of advice is data: what to do, why, and the numbers it rests on. Nobody's interval changes by itself. */
export interface Advice {
  code: 'extend' | 'keep' | 'shorten' | 'recalibrate' | 'tooLittle';
  /** Days advised, where there is something to advise. */
  days: number | null;
  numbers: Record<string, number>;
  sentence: string;
}
