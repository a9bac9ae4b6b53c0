import { say, type Numbers, type WordCode } from './say';
import { refuse, type Refusal } from './refusal';

type RefusalWord = WordCode extends infer Code ? (Code extends `refused.${infer Word}` ? Word : never) : never;

/**
 * A refusal in the words of the catalogue; the code for programs is the word's own.
 *
 * @example
 * refused('notToday', { readBack: '12 Mar 2019', today: '2026-11-27' }, 'readBack')
 */
export const refused = (code: RefusalWord, numbers: Numbers = {}, field?: string): Refusal =>
  refuse(code, say({ code: `refused.${code}`, numbers }), {
    ...(field ? { field } : {}),
    numbers: Object.fromEntries(Object.entries(numbers).map(([name, value]) => [name, String(value)])),
  });
