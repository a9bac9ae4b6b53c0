import { IntlMessageFormat } from 'intl-messageformat';
import { EN, type WordCode } from './en';

export type { WordCode } from './en';

export type Numbers = Record<string, string | number>;

/** What is to be said, before it is said: a code and the numbers it rests on. Kept in records; the sentence is made where somebody reads it. */
export interface Fact {
  code: WordCode;
  numbers?: Numbers;
}

/** Languages with a catalogue. A further one is one file of the same codes. */
export type Language = 'en';
const CATALOGUES: Record<Language, Record<WordCode, string>> = { en: EN };

const made = new Map<string, IntlMessageFormat>();

/**
 * The sentence of a fact in a language, from the one catalogue of that language (ICU messages).
 * Figures are put in as they are given: a display's digits are never formatted anew. Errors: RangeError for a code that no catalogue has.
 *
 * @example
 * say({ code: 'influence.resolution' }) // 'resolution of the display'
 */
export function say(fact: Fact, language: Language = 'en'): string {
  const key = `${language}/${fact.code}`;
  let format = made.get(key);
  if (!format) {
    const message = CATALOGUES[language][fact.code];
    if (message === undefined) throw new RangeError(`code must be one of the catalogue ${language}, got ${String(fact.code)}`);
    format = new IntlMessageFormat(message, language, undefined, { ignoreTag: true });
    made.set(key, format);
  }
  return String(format.format(fact.numbers));
}

/** Whether a text is a code of the catalogue: for records that are read. */
export const isWordCode = (code: unknown): code is WordCode => typeof code === 'string' && Object.hasOwn(EN, code);
