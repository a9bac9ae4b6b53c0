import type { WordCode } from './en';
import { fill, isPlain } from './fill';
import { sayChoices, wordOf, type Language } from './registry';
// What the core itself says, wherever it runs; every other part is imported by who says it.
import './en/bench';
import './en/judgement';
import './en/measurands';
import './en/refusals';
import './en/targets';

export type { WordCode } from './en';
export { LANGUAGES, type Language } from './registry';

export type Numbers = Record<string, string | number>;

/** What is to be said, before it is said: a code and the numbers it rests on. Kept in records; the sentence is made where somebody reads it. */
export interface Fact {
  code: WordCode;
  numbers?: Numbers;
}

/**
 * The sentence of a fact in a language, from the one catalogue of that language (ICU messages).
 * Figures are put in as they are given: a display's digits are never formatted anew. Errors: RangeError for a code of no part that was imported.
 *
 * @example
 * say({ code: 'influence.resolution' }) // 'resolution of the display'
 */
export function say(fact: Fact, language: Language = 'en'): string {
  const message = wordOf(fact.code, language);
  if (message === undefined)
    throw new RangeError(`code must be one of a part of the catalogue that is imported, got ${String(fact.code)}`);
  return isPlain(message) ? fill(message, fact.numbers) : sayChoices(message, language, fact.numbers);
}

/** Whether a text is a code of the catalogue: for records that are read. */
export const isWordCode = (code: unknown): code is WordCode => typeof code === 'string' && wordOf(code) !== undefined;
