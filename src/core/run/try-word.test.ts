import { expect, it } from 'vitest';
import { tryWord } from './try-word';

it.each([
  [1, ''],
  [2, 'second try'],
  [3, 'third try'],
  [5, 'try 5'],
])('try %i is said as “%s”', (iteration, word) => expect(tryWord(iteration)).toBe(word));
