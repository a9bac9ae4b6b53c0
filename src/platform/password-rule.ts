import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import '@/core/words/en/house';

export const SHORTEST = 12;
/** "Safely unguessable" on the scale of 0 to 4: more than 10⁸ guesses. */
const ENOUGH = 3;

const guess = new ZxcvbnFactory({
  dictionary: { ...common.dictionary },
  graphs: common.adjacencyGraphs,
  useLevenshteinDistance: true,
});

/**
 * Whether a password may be chosen: at least twelve characters, none of those that were found in breaches (a list that ships with the estimator), no repetition, row of keys or the person's and workshop's own names with a number behind.
 * Source: NIST SP 800-63B, 5.1.1.2. Errors: Problem (400) beside the password.
 */
export function refuseWeak(password: string, about: string[]): void {
  if (password.length < SHORTEST) throw weak('password.short');
  const words = about.flatMap((text) => text.toLowerCase().split(/[^\p{L}\p{N}]+/u)).filter((word) => word.length > 3);
  const { score } = guess.check(password.slice(0, 100), words);
  if (score < ENOUGH) throw weak('password.guessable');
}

function weak(code: 'password.short' | 'password.guessable'): Problem {
  const sentence = say({ code, numbers: { shortest: String(SHORTEST) } });
  return new Problem(sentence, { password: sentence });
}
