import { describe, expect, it } from 'vitest';
import { choicesOf, NONCONFORMITY_STEPS, stepsMissing } from './nonconformity';

describe('nonconforming work (ISO/IEC 17025:2017, 7.10 and 8.7)', () => {
  const taken = (...steps: (typeof NONCONFORMITY_STEPS)[number][]) => steps.map((step) => ({ step, choice: '', text: 'x' }));
  it('is closed when all that the standard asks was done, in whatever order', () => {
    expect(stepsMissing('complaint', [])).toEqual(['evaluation', 'told', 'cause', 'action', 'effect']);
    expect(stepsMissing('failedCheck', taken('effect', 'action', 'evaluation'))).toEqual(['told', 'cause']);
    expect(stepsMissing('recall', taken(...NONCONFORMITY_STEPS))).toEqual([]);
  });
  it('of a customer’s instrument that was found outside, evaluated and told is what the laboratory owes', () => {
    expect(stepsMissing('foundOutside', taken('evaluation'))).toEqual(['told']);
    expect(stepsMissing('foundOutside', taken('evaluation', 'told'))).toEqual([]);
  });
  it('causes and whether it was told are chosen, all else is words', () => {
    expect(NONCONFORMITY_STEPS.filter((step) => choicesOf(step))).toEqual(['told', 'cause']);
  });
});
