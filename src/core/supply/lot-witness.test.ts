import jStat from 'jstat';
import { describe, expect, it } from 'vitest';
import { normalQuantile } from '../uncertainty/normal';
import { normalFrom, seededUniform } from '../uncertainty/random';
import { lotWitness } from './lot-witness';

/** Simulated workshops whose scatter is known: instruments about their lot, lots about what their certificates say. */
const SCATTER = 4;
const U_LOT = 1;
const CHANCE = 0.002;
const workshop = (seed: number) => {
  const uniform = seededUniform(seed);
  const normal = normalFrom(uniform);
  const readings = (n: number, fade: number, dead = 0) => {
    const off = U_LOT * normal();
    return {
      standardUncertainty: U_LOT,
      deviations: Array.from({ length: n }, () => off - fade + SCATTER * normal() - (uniform() < dead ? 40 : 0)),
    };
  };
  return { readings };
};

/** Share of simulated lots of ten instruments that are named, by our judgement and by the best test that is told the true scatter. */
function foundAt(fade: number, times: number, dead = 0): { ours: number; best: number } {
  let [ours, best] = [0, 0];
  const critical = normalQuantile(CHANCE);
  for (let trial = 0; trial < times; trial += 1) {
    const { readings } = workshop(1000 * fade + trial + 1);
    const earlier = [15, 12, 20, 13].map((n) => readings(n, 0, dead));
    const lot = readings(10, fade, dead);
    if (lotWitness({ lot, earlier, chance: CHANCE })?.suspicious) ours += 1;
    // Weighted mean of earlier lots by their true variances, the mean of this one, the true standard deviation of their difference.
    const means = earlier.map(({ deviations }) => ({
      mean: deviations.reduce((sum, one) => sum + one, 0) / deviations.length,
      weight: 1 / (SCATTER ** 2 / deviations.length + U_LOT ** 2),
    }));
    const weight = means.reduce((sum, one) => sum + one.weight, 0);
    const usual = means.reduce((sum, one) => sum + one.mean * one.weight, 0) / weight;
    const own = lot.deviations.reduce((sum, one) => sum + one, 0) / 10;
    if ((own - usual) / Math.sqrt(SCATTER ** 2 / 10 + U_LOT ** 2 + 1 / weight) < critical) best += 1;
  }
  return { ours: ours / times, best: best / times };
}

describe('a lot by the witness of the instruments that were read against it', () => {
  it.each([5, 10, 20])(
    'a fade of %i %% is found after ten instruments at 0.9 of the rate of the best test that knows the scatter',
    (fade) => {
      const { ours, best } = foundAt(fade, 1500);
      expect(best).toBeGreaterThan(fade === 5 ? 0.4 : 0.95);
      expect(ours).toBeGreaterThanOrEqual(0.9 * best);
    },
  );
  it('at most one false alarm a year: sixty gases of lots a year, each judged after every instrument from the fifth to the twelfth', () => {
    const YEARS = 40;
    let alarms = 0;
    for (let lots = 0; lots < 60 * YEARS; lots += 1) {
      const { readings } = workshop(7_000_000 + lots);
      const earlier = [15, 12, 20, 13].map((n) => readings(n, 0));
      const lot = readings(12, 0);
      const named = [5, 6, 7, 8, 9, 10, 11, 12].some(
        (n) => lotWitness({ lot: { ...lot, deviations: lot.deviations.slice(0, n) }, earlier, chance: CHANCE })?.suspicious,
      );
      if (named) alarms += 1;
    }
    expect(alarms / YEARS).toBeLessThanOrEqual(1);
  });
  it('sensors that die one by one name no lot; a faded lot is named all the same', () => {
    const { ours } = foundAt(0, 1500, 0.1);
    expect(ours).toBeLessThanOrEqual(2 * CHANCE);
    expect(foundAt(20, 300, 0.1).ours).toBeGreaterThan(0.9);
  });
  it('its probability is that of the t distribution: compared with the reference library jStat', () => {
    const lot = { deviations: [-3, -1, -2, -4, -2.5, -1.5], standardUncertainty: 0 };
    const before = { deviations: [0, 1, -1, 0.5, -0.5, 1.5, -1.5, 0, 0.2, -0.2], standardUncertainty: 0 };
    const { probability, shift } = lotWitness({ lot, earlier: [before], chance: CHANCE })!;
    expect(shift).toBeCloseTo(-7 / 3, 9);
    const squares = [...lot.deviations.map((one) => one + 7 / 3), ...before.deviations].reduce((sum, one) => sum + one ** 2, 0);
    const scatter = squares / 14 / 0.958;
    const t = shift / Math.sqrt(scatter / 6 + scatter / 10);
    expect(probability).toBeCloseTo(jStat.studentt.cdf(t, 14), 6);
  });
  it('too few instruments, too few earlier, or no scatter at all: nothing is said', () => {
    const some = { deviations: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10], standardUncertainty: 1 };
    expect(lotWitness({ lot: { ...some, deviations: [-20, -20, -20, -20] }, earlier: [some], chance: CHANCE })).toBeNull();
    expect(lotWitness({ lot: some, earlier: [{ ...some, deviations: [1, 2] }], chance: CHANCE })).toBeNull();
    const same = { deviations: new Array<number>(12).fill(0), standardUncertainty: 1 };
    expect(lotWitness({ lot: same, earlier: [same], chance: CHANCE })).toBeNull();
  });
});
