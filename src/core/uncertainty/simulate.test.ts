import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { combine } from './combine';
import { percentiles } from './percentiles';
import { normalFrom, seededUniform } from './random';
import { simulate, startSimulation, type SimulationInput } from './simulate';
import { simulationModel } from './simulation-model';

const sum = simulationModel({ kind: 'sum', sensitivities: [1, 1, 1, 1] });

describe('simulation (JCGM 101:2008)', () => {
  it('four rectangular inputs of standard deviation 1: 95 % interval ± 3.88, where a normal one would give ± 3.92 (9.2.3)', () => {
    const inputs: SimulationInput[] = Array.from({ length: 4 }, () => ({ distribution: 'rectangular', standard: 1 }));
    const result = simulate({ inputs, model: sum, draws: 1_000_000, seed: 20261124 });
    expect(Math.abs(result.mean)).toBeLessThan(0.01);
    expect(result.standard).toBeCloseTo(2, 2);
    expect(result.low).toBeCloseTo(-3.88, 1);
    expect(result.high).toBeCloseTo(3.88, 1);
    expect(Math.abs(result.high - 3.92)).toBeGreaterThan(0.02);
  });
  it.each<[SimulationInput, number, number]>([
    [{ distribution: 'normal', mean: 5, standard: 2 }, 5, 2],
    [{ distribution: 'rectangular', mean: 1, halfWidth: 3 }, 1, 3 / Math.sqrt(3)],
    [{ distribution: 'triangular', halfWidth: 3 }, 0, 3 / Math.sqrt(6)],
    [{ distribution: 'u-shaped', halfWidth: 3 }, 0, 3 / Math.SQRT2],
  ])('%j has the moments of table 1', (input, mean, standard) => {
    const result = simulate({ inputs: [input], model: sum, draws: 200_000, seed: 7 });
    expect(Math.abs(result.mean - mean)).toBeLessThan((5 * standard) / Math.sqrt(200_000));
    expect(Math.abs(result.standard / standard - 1)).toBeLessThan(0.01);
  });
  it('takes a model of one list or of one argument each, and an input by its ends', () => {
    const inputs: SimulationInput[] = [
      { distribution: 'rectangular', lower: 2, upper: 4 },
      { distribution: 'normal', mean: 10, standard: 0.5 },
    ];
    const list = simulate({ inputs, model: ([a, b]: Float64Array) => a! * b!, draws: 20_000, seed: 9 });
    expect(simulate({ inputs, model: (a: number, b: number) => a * b, draws: 20_000, seed: 9 })).toEqual(list);
    expect(list.mean).toBeCloseTo(30, 0);
    expect(() =>
      simulate({ inputs: [{ distribution: 'rectangular', lower: 4, upper: 2 }], model: (a: number) => a, draws: 100, seed: 1 }),
    ).toThrow(/inputs\[0\]\.upper/);
  });
  it('agrees with the law of propagation for a sum of normal inputs (JCGM 100:2008, 5.1.2)', () => {
    const model = simulationModel({ kind: 'sum', sensitivities: [2, -1] });
    const result = simulate({
      inputs: [
        { distribution: 'normal', standard: 1 },
        { distribution: 'normal', standard: 3 },
      ],
      model,
      draws: 400_000,
      seed: 3,
    });
    const { standard } = combine({
      components: [
        { standard: 1, sensitivity: 2 },
        { standard: 3, sensitivity: -1 },
      ],
      coverage: 0.95,
    });
    expect(result.standard / standard).toBeCloseTo(1, 2);
  });
  it('the same seed gives the same, in one go or in steps; another seed does not', () => {
    const given = { inputs: [{ distribution: 'normal', standard: 1 } as const], model: sum, draws: 10_000 };
    const steps = startSimulation({ ...given, seed: 5 });
    while (steps.done() < 10_000) steps.step(777);
    expect(steps.result()).toEqual(simulate({ ...given, seed: 5 }));
    expect(simulate({ ...given, seed: 6 }).mean).not.toBe(steps.result().mean);
  });
  it('products and quotients; what is not finite or out of range is named', () => {
    const two = [
      { distribution: 'normal', mean: 6, standard: 0 } as const,
      { distribution: 'normal', mean: 2, standard: 0 } as const,
    ];
    expect(simulate({ inputs: two, model: simulationModel({ kind: 'product' }), draws: 100, seed: 1 }).mean).toBe(12);
    expect(simulate({ inputs: two, model: simulationModel({ kind: 'quotient' }), draws: 100, seed: 1 }).mean).toBe(3);
    expect(() => simulate({ inputs: two, model: () => NaN, draws: 100, seed: 1 })).toThrow(/model/);
    expect(() => simulate({ inputs: [{ distribution: 'normal' }], model: sum, draws: 100, seed: 1 })).toThrow(
      /inputs\[0\]\.standard/,
    );
    expect(() => simulate({ inputs: two, model: sum, draws: 10, seed: 1 })).toThrow(/draws/);
    expect(() => simulate({ inputs: two, model: sum, draws: 100, seed: 1.5 })).toThrow(/seed/);
  });
});

describe('random numbers and percentiles', () => {
  it('uniform numbers fill ten bins evenly (chi-squared, 9 degrees of freedom, 99.9 % point 27.9: statistical table, memory)', () => {
    const uniform = seededUniform(42);
    const bins = new Array<number>(10).fill(0);
    for (let i = 0; i < 100_000; i += 1) bins[Math.floor(uniform() * 10)]! += 1;
    expect(bins.reduce((chi, n) => chi + (n - 10_000) ** 2 / 10_000, 0)).toBeLessThan(27.9);
  });
  it('normal numbers have the kurtosis of a normal distribution', () => {
    const normal = normalFrom(seededUniform(1));
    let fourth = 0;
    for (let i = 0; i < 200_000; i += 1) fourth += normal() ** 4 / 200_000;
    expect(Math.abs(fourth - 3)).toBeLessThan(0.12);
  });
  it('percentiles are those of the sorted sample', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 2, maxLength: 60 }), (values) => {
        const sorted = [...values].sort((a, b) => a - b);
        const at = (share: number) => {
          const rank = Math.min(values.length - 1, Math.max(0, share * values.length - 0.5));
          const low = sorted[Math.floor(rank)]!;
          return low + ((sorted[Math.ceil(rank)] ?? low) - low) * (rank - Math.floor(rank));
        };
        const found = percentiles(Float64Array.from(values), [0.025, 0.5, 0.975]);
        [0.025, 0.5, 0.975].forEach((share, i) => expect(found[i]).toBeCloseTo(at(share), 9));
      }),
    );
  });
});
