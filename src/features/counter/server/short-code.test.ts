import { expect, it } from 'vitest';
import { USUAL_PATTERNS } from '@/core/paper/number-pattern';
import { numbersMeant } from './short-code';

it('a number typed short means that of any late year, the newest first; with a year that of the year', () => {
  expect(numbersMeant('c-62', 2026).slice(0, 2)).toEqual(['C-2026-00062', 'C-2025-00062']);
  expect(numbersMeant('T 7', 2026)[0]).toBe('T-2026-0007');
  expect(numbersMeant('c-25-62', 2026)).toEqual(['C-2025-00062']);
  expect(numbersMeant('C-2025-00062', 2026)).toEqual(['C-2025-00062']);
  expect(numbersMeant('hb 7', 2026, { ...USUAL_PATTERNS, certificate: 'HB{yy}.{n:3}' })[0]).toBe('HB26.007');
  for (const none of ['x-62', 'c', '62', 'c-1234567', "c-6'2", 'co-62']) expect(numbersMeant(none, 2026), none).toEqual([]);
});
