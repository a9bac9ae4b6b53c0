import { describe, expect, it } from 'vitest';
import { refuse } from '../words/refusal';
import type { InfluenceContext, Measurand } from './measurand';
import { movedBy } from './moved';

const context = { inputs: { temperatureC: '20' }, target: { inputs: {} } } as unknown as InfluenceContext;
/** A table from 0 to 20 whose value is the square of what is put in. */
const square: Measurand['target'] = ({ inputs }) => {
  const at = Number(inputs.temperatureC);
  return at < 0 || at > 20 ? null : ({ value: String(at ** 2) } as never);
};
const at = (temperatureC: string) => ({ ...context, inputs: { temperatureC } }) as InfluenceContext;

// Slope of a parabola: exactly twice the argument by a step either way (JCGM 100:2008, 5.1.3, note 2), off by the step from one side.
describe('how much a target moves with what it is computed from', () => {
  it('by a step either way', () => expect(movedBy(at('10'), square, 'temperatureC', 0.5)).toBeCloseTo(20, 10));
  it('at either end of a table by the side that is there', () => {
    expect(movedBy(at('20'), square, 'temperatureC', 0.5)).toBeCloseTo(39.5, 10);
    expect(movedBy(at('0'), square, 'temperatureC', 0.5)).toBeCloseTo(0.5, 10);
  });
  it('the figure that the target was computed with counts where none was read', () => {
    const computed = { inputs: {}, target: { inputs: { temperatureC: '10' } } } as unknown as InfluenceContext;
    expect(movedBy(computed, square, 'temperatureC', 0.5)).toBeCloseTo(20, 10);
  });
  it('is asked without rounding', () => {
    const rounded: Measurand['target'] = ({ inputs }) => ({ value: inputs.unrounded ? inputs.temperatureC : '0' }) as never;
    expect(movedBy(at('10'), rounded, 'temperatureC', 0.5)).toBeCloseTo(1, 10);
  });
  it('not at all where it does not depend on it, has no such figure, or can not be worked out', () => {
    expect(movedBy(at('10'), square, 'pressureHPa', 1)).toBe(0);
    expect(movedBy(at('30'), square, 'temperatureC', 0.5)).toBe(0);
    expect(movedBy(at('10'), () => null, 'temperatureC', 0.5)).toBe(0);
    expect(movedBy(at('10'), () => refuse('outside', 'Outside of the table.'), 'temperatureC', 0.5)).toBe(0);
  });
});
