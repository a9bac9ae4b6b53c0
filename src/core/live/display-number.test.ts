import { expect, it } from 'vitest';
import { displayNumber } from './display-number';

// Beside the language's own reading, digit for digit (Object.is tells 0 from -0).
it('reads what a display shows as the language does', () => {
  const given = [
    '0',
    '0.0',
    '-0',
    '-0.05',
    '20.9',
    '12345.678',
    '999999999999999',
    '1234567890.12345',
    '.5',
    '5.',
    '1e3',
    '0x10',
    ' 7 ',
    '--1',
    '1.2.3',
    'abc',
    '-',
    '.',
  ];
  for (const text of given) expect([text, displayNumber(text)]).toEqual([text, Number(text)]);
  let seed = 7;
  for (let i = 0; i < 20_000; i += 1) {
    seed = (seed * 48_271) % 2_147_483_647;
    const text = (((seed % 2_000_001) - 1_000_000) / 997).toFixed(seed % 6);
    if (!Object.is(displayNumber(text), Number(text))) expect(text).toBe('read alike');
  }
  expect(displayNumber('')).toBeNaN();
});
