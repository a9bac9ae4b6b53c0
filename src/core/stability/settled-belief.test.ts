import { describe, expect, it } from 'vitest';
import { normalFrom, seededUniform } from '../uncertainty/random';
import { learnResponse, type Trace } from './learn-response';
import { shapesOf, type ResponseCard } from './response-card';
import { reached, type ResponseShape } from './response-shape';
import { SettledBelief, SURE } from './settled-belief';

const CARD: ResponseCard = { dead: [0, 2], tau: [6, 12], slow: [0.02, 0.12], slower: [2.5, 5] };
const SHAPE: ResponseShape = { dead: 1, tau: 9, slow: 0.06, slower: 3.5 };

describe('the shape of a response', () => {
  // First-order element: T90 = τ ln 10 (any textbook of control engineering).
  it('of first order reaches nine tenths at τ ln 10, and nothing in its dead time', () => {
    expect(reached({ dead: 0, tau: 10, slow: 0 }, 10 * Math.LN10)).toBeCloseTo(0.9, 12);
    expect(reached({ dead: 5, tau: 10, slow: 0.1, slower: 3 }, 5)).toBe(0);
    expect(reached({ dead: 0, tau: 10, slow: 1 }, 30)).toBeCloseTo(0.5, 12);
  });
  it('many of them fill what a card allows evenly, always the same', () => {
    const shapes = shapesOf(CARD, 500);
    expect(shapes).toEqual(shapesOf(CARD, 500));
    for (const [figure, [low, high]] of Object.entries(CARD) as [keyof ResponseCard, [number, number]][]) {
      const values = shapes.map((shape) => shape[figure]!);
      expect(Math.min(...values)).toBeGreaterThanOrEqual(low);
      expect(Math.max(...values)).toBeLessThanOrEqual(high);
      if (figure !== 'tau') expect(values.reduce((a, b) => a + b, 0) / values.length).toBeCloseTo((low + high) / 2, 1);
    }
    expect(shapesOf({ ...CARD, slower: undefined } as unknown as ResponseCard, 3)[0]).not.toHaveProperty('slower');
    expect(() => shapesOf(CARD, 0)).toThrow(/count/);
  });
});

/** Seconds at which it is believed, and what was left then; figures as a display of step 1 shows them. */
function watch(shape: ResponseShape, final: number, within: number, card = CARD, noise = 0.2) {
  const belief = new SettledBelief({ before: 0, resolution: 1, card });
  const normal = normalFrom(seededUniform(3));
  let first: ReturnType<typeof belief.look> = null;
  for (let seconds = 0.25; seconds <= 240; seconds += 0.25) {
    const value = Math.round(final * reached(shape, seconds) + noise * normal());
    belief.push(seconds, value);
    if (seconds < 20 || seconds % 2 !== 0) continue;
    const look = belief.look({ displayed: value, within });
    first ??= look;
    if (look && look.probability >= SURE) return { seconds, left: final - value, first: first! };
  }
  return null;
}

describe('what is believed of a response', () => {
  it('waits for the slow part, closes soon after what is left is small enough, whatever the span of the sensor is', () => {
    for (const final of [60, 100, 140]) {
      const oracle = Array.from({ length: 240 }, (_one, i) => i).find((s) => final * (1 - reached(SHAPE, s)) <= 2.5)!;
      const { seconds, left, first } = watch(SHAPE, final, 2.5)!;
      expect(Math.abs(left)).toBeLessThanOrEqual(2.5);
      expect(seconds / oracle).toBeLessThan(1.6);
      expect(first.probability).toBeLessThan(SURE);
      expect(first.bound).toBeGreaterThan(2.5);
      expect(Math.abs(first.expectedAt! - oracle)).toBeLessThan(20);
    }
  });
  it('says beforehand that a tail with the root of time takes long', () => {
    const card: ResponseCard = { dead: [0, 1], tau: [6, 12], slow: [0.1, 0.2] };
    const late = watch({ dead: 0, tau: 9, slow: 0.15 }, 100, 1, card, 0.1);
    expect(late).toBeNull();
    const belief = new SettledBelief({ before: 0, resolution: 1, card });
    for (let seconds = 1; seconds <= 40; seconds += 1)
      belief.push(seconds, Math.round(100 * reached({ dead: 0, tau: 9, slow: 0.15 }, seconds)));
    expect(belief.look({ displayed: 92, within: 1 })!.expectedAt).toBeNull();
  });
  it('has nothing to say of a few figures, and refuses a step of zero', () => {
    const belief = new SettledBelief({ before: 0, resolution: 1, card: CARD });
    expect(belief.look({ displayed: 0, within: 1 })).toBeNull();
    expect(() => new SettledBelief({ before: 0, resolution: 0, card: CARD })).toThrow(/resolution/);
  });
});

describe('what a model’s sensors have in common', () => {
  const traces = (slower: [number, number] | null, count = 12): Trace[] => {
    const uniform = seededUniform(11);
    const between = (low: number, high: number) => low + (high - low) * uniform();
    const normal = normalFrom(seededUniform(12));
    return Array.from({ length: count }, () => {
      const shape = {
        dead: 0,
        tau: between(7, 11),
        slow: between(0.05, 0.15),
        ...(slower ? { slower: between(...slower) } : {}),
      };
      return Array.from({ length: 480 }, (_one, i) => ({
        seconds: i + 1,
        value: Math.round(100 * reached(shape, i + 1) + 0.3 * normal()),
      }));
    });
  };
  it('is found again from twelve of their traces: time constant, slow part, and of which kind it is', () => {
    const exponential = learnResponse({ traces: traces([3, 6]), before: 0, resolution: 1 })!;
    expect(exponential.tau[0]).toBeGreaterThan(5);
    expect(exponential.tau[1]).toBeLessThan(14);
    expect(exponential.slow[1]).toBeGreaterThan(0.11);
    expect(exponential.slow[1]).toBeLessThan(0.25);
    expect(exponential.slower).toBeDefined();
    expect(learnResponse({ traces: traces(null), before: 0, resolution: 1 })!.slower).toBeUndefined();
  });
  it('is not said of too few, or of short ones', () => {
    expect(learnResponse({ traces: traces([3, 6], 7), before: 0, resolution: 1 })).toBeNull();
    const short = traces([3, 6]).map((trace) => trace.filter(({ seconds }) => seconds < 100));
    expect(learnResponse({ traces: short, before: 0, resolution: 1 })).toBeNull();
  });
});
