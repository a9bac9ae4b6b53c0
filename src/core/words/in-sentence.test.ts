import { expect, it } from 'vitest';
import { PROCEDURES } from '@/procedures';
import { inSentence } from './in-sentence';

it('only the first letter becomes small: units, formulas and pH keep theirs', () => {
  expect(inSentence('Clean air')).toBe('clean air');
  expect(inSentence('84 µS/cm')).toBe('84 µS/cm');
  expect(inSentence('CO₂ in air')).toBe('CO₂ in air');
  expect(inSentence('H₂S')).toBe('H₂S');
  expect(inSentence('pH 7')).toBe('pH 7');
  for (const { points } of PROCEDURES) for (const { label } of points) expect(inSentence(label).slice(1)).toBe(label.slice(1));
});
