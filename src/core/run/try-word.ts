const WORDS: Record<number, string> = { 2: 'second try', 3: 'third try' };

/**
 * Which try an adjustment or reading was, in words for the log and the certificate; empty for the first. Errors: none.
 *
 * @example
 * tryWord(2) // 'second try'
 */
export function tryWord(iteration: number): string {
  return iteration > 1 ? (WORDS[iteration] ?? `try ${iteration}`) : '';
}
