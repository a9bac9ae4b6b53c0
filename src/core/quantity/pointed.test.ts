import { expect, it } from 'vitest';
import { checkTypedReading } from './reading';
import { pointed } from './pointed';

it.each([
  ['7,02', '7.02'],
  [' -0,5 ', '-0.5'],
  ['+20,9', '+20.9'],
  ['0,0385', '0.0385'],
  ['7.02', '7.02'],
  ['12', '12'],
  // One or a thousand: nobody guesses.
  ['1,000', '1,000'],
  ['1,234,5', '1,234,5'],
  ['none', 'none'],
])('%s', (typed, read) => {
  expect(pointed(typed)).toBe(read);
});
it('a display takes a comma for a point, and says why it does not take three digits behind one', () => {
  const meter = { resolution: '0.01', lowest: '0', highest: '14', unit: 'pH' };
  expect(checkTypedReading({ text: '7,02', ...meter })).toBeNull();
  expect(checkTypedReading({ text: '7,0', ...meter })).toBeNull();
  expect(checkTypedReading({ text: '1,000', ...meter })).toMatchObject({
    code: 'notANumber',
    sentence: expect.stringContaining('with a point'),
  });
});
