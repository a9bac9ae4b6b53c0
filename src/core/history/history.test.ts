import jStat from 'jstat';
import { describe, expect, it } from 'vitest';
import { adviseInterval, daysOf } from './advise-interval';
import { driftGroup, sumsOf } from './drift-of';
import { driftSteps, driftSummed } from './drift-steps';
import { driftOutlook, forecastError } from './forecast-error';
import { survival } from './survival';
import { normals, startFleet, visit, type Simulated, type Truth } from './workshop.fixture';

const ALONE = { shortest: { days: 7 }, longest: { months: 60 }, ofModel: null, lastShare: null } as const;

describe('how a channel went', () => {
  const visits = [
    { at: '2026-01-01', found: 3, left: 1 },
    { at: '2026-04-01', found: -11, left: 0 },
    { at: '2026-07-01', found: -30, left: 2, newSensor: true },
    { at: '2026-10-01', found: null, left: null },
    { at: '2026-11-01', found: -4, left: 0 },
  ];
  it('a new sensor begins a list of its own; a visit that read nothing gives no step and breaks none', () => {
    expect(driftSteps(visits)).toEqual([
      [
        { days: 90, change: -12 },
        { days: 91, change: -30 },
      ],
      [{ days: 123, change: -6 }],
    ]);
  });
  it('with adjustments taken out it stands where it would be if nobody had touched it', () => {
    expect(driftSummed(visits).map((one) => one.summed)).toEqual([0, -12, -42, 0, -6]);
  });
});

describe('the next as-found error of one sensor', () => {
  const steps = [30, 61, 92, 122, 150, 181].map((days, index) => ({
    days,
    change: [-2.1, -3.3, -6.4, -7.1, -9.9, -10.8][index]!,
  }));
  it('regression through the origin against NIST’s reference data, its prediction interval and share outside against jStat', () => {
    // NIST Statistical Reference Datasets, linear regression, NoInt1: certified slope, its standard deviation, residual standard deviation (from memory; worked again by hand).
    const noInt1 = Array.from({ length: 11 }, (_one, index) => ({ days: 60 + index, change: 130 + index }));
    const outlook = driftOutlook(sumsOf(noInt1), null)!;
    expect(outlook.rate).toBeCloseTo(2.07438016528926, 12);
    expect(outlook.sRate).toBeCloseTo(0.0165289256198347, 12);
    expect(Math.sqrt(outlook.noise)).toBeCloseTo(3.56753034006338, 10);
    expect(outlook.dof).toBe(10);
    const { low, high, expected, outside } = forecastError({ outlook, left: -60, days: 75 });
    const s = Math.sqrt(3.56753034006338 ** 2 + (75 * 0.0165289256198347) ** 2);
    const t = jStat.studentt.inv(0.975, 10);
    expect(expected).toBeCloseTo(75 * 2.07438016528926 - 60, 10);
    expect(high - expected).toBeCloseTo(t * s, 6);
    expect(expected - low).toBeCloseTo(t * s, 6);
    const upper = 1 - jStat.studentt.cdf((100 - expected) / s, 10);
    expect(outside).toBeCloseTo(upper + jStat.studentt.cdf((-100 - expected) / s, 10), 8);
  });
  it('a sensor that died is no drift: it counts as one that failed, and the others are not made to scatter by it', () => {
    const sound = Array.from({ length: 9 }, () => sumsOf(steps));
    const dead = sumsOf([...steps, { days: 180, change: -870 }]);
    const group = driftGroup([...sound, dead])!;
    expect(group.failed).toBeCloseTo(1 / 61, 12);
    expect(group.noise).toBeCloseTo(driftGroup([...sound, sumsOf(steps)])!.noise, 12);
    const { outside } = forecastError({ outlook: driftOutlook(sumsOf(steps), group)!, left: 0, days: 100 });
    expect(outside).toBeGreaterThanOrEqual(1 / 61);
  });
  it('from four steps of one alone nothing is forecast', () => {
    expect(driftOutlook(sumsOf(steps.slice(0, 4)), null)).toBeNull();
    expect(driftGroup(Array.from({ length: 7 }, () => sumsOf(steps)))).toBeNull();
  });
  it('all equal readings: a band of no width, and no division by nought', () => {
    const still = driftOutlook(sumsOf(steps.map(({ days }) => ({ days, change: 0 }))), null)!;
    expect(forecastError({ outlook: still, left: 3, days: 100 })).toEqual({ expected: 3, low: 3, high: 3, outside: 0 });
    expect(driftGroup(Array.from({ length: 9 }, () => sumsOf(steps.map(({ days }) => ({ days, change: 0 })))))).toMatchObject({
      rate: 0,
      between: 0,
      noise: 0,
    });
  });
});

/** Visits at days that differ by a fifth, as people come. */
function lived(truth: Truth, visits: number, days: number, seed: number): { fleet: Simulated[]; normal: () => number } {
  const normal = normals(seed);
  const fleet = startFleet(truth, normal);
  for (const one of fleet)
    for (let n = 0; n < visits; n += 1) visit(one, Math.max(20, Math.round(days * (1 + 0.1 * normal()))), truth.noise, normal);
  return { fleet, normal };
}
const sumsNow = (one: Simulated) => sumsOf(driftSteps(one.visits).at(-1)!);

describe('simulated workshops whose truth is known', () => {
  const TRUTHS: [string, Truth, number][] = [
    ['slow and alike', { sensors: 200, rate: -0.1, spread: 0.02, noise: 15 }, 4],
    ['fast and each its own way', { sensors: 200, rate: -0.2, spread: 0.12, noise: 10 }, 3],
    ['no drift, only scatter', { sensors: 200, rate: 0, spread: 0, noise: 30 }, 4],
    ['two visits each', { sensors: 300, rate: -0.15, spread: 0.08, noise: 12 }, 2],
  ];
  it.each(TRUTHS)('%s: the band of 95 %% holds the next error in 93 to 97 %%', (_name, truth, visits) => {
    let [held, all] = [0, 0];
    for (let seed = 1; seed <= 6; seed += 1) {
      const { fleet, normal } = lived(truth, visits, 180, seed);
      const group = driftGroup(fleet.map(sumsNow));
      for (const one of fleet) {
        const outlook = driftOutlook(sumsNow(one), group)!;
        const { low, high } = forecastError({ outlook, left: one.left, days: 150 });
        const found = visit(one, 150, truth.noise, normal);
        held += found >= low && found <= high ? 1 : 0;
        all += 1;
      }
    }
    expect(held / all).toBeGreaterThan(0.93);
    expect(held / all).toBeLessThan(0.97);
  });
  it('one alone, by its own steps only: the band holds as well', () => {
    let [held, all] = [0, 0];
    for (let seed = 1; seed <= 6; seed += 1) {
      const { fleet, normal } = lived({ sensors: 200, rate: -0.15, spread: 0.1, noise: 12 }, 6, 120, seed + 50);
      for (const one of fleet) {
        const { low, high } = forecastError({ outlook: driftOutlook(sumsNow(one), null)!, left: one.left, days: 120 });
        const found = visit(one, 120, 12, normal);
        held += found >= low && found <= high ? 1 : 0;
        all += 1;
      }
    }
    expect(held / all).toBeGreaterThan(0.93);
    expect(held / all).toBeLessThan(0.97);
  });
  it.each([
    ['slow', { sensors: 250, rate: -0.28, spread: 0.06, noise: 14 }, 0.9],
    ['each its own way', { sensors: 250, rate: -0.4, spread: 0.12, noise: 10 }, 0.9],
    ['asked for more', { sensors: 250, rate: -0.3, spread: 0.05, noise: 12 }, 0.95],
  ] as [string, Truth, number][])(
    '%s: the interval that is advised brings the share within to its target ± 5 %%',
    (_name, truth, target) => {
      const { fleet, normal } = lived(truth, 3, 180, 7);
      const every = new Map(fleet.map((one) => [one, { months: 6 } as { months: number } | { days: number }]));
      let [within, all] = [0, 0];
      // Six visits each by its advice; the last three are counted, when halving and doubling has come to rest.
      for (let round = 0; round < 6; round += 1) {
        const group = driftGroup(fleet.map(sumsNow));
        for (const one of fleet) {
          const from = one.visits.at(-1)!.at;
          const advice = adviseInterval({
            ...ALONE,
            channels: [{ label: 'CO', outlook: driftOutlook(sumsNow(one), group), left: one.left, kind: null }],
            from,
            present: every.get(one)!,
            target,
          });
          expect(advice.way).toBe('drift');
          every.set(one, advice.every!);
          const found = visit(one, daysOf(advice.every!, from), truth.noise, normal);
          if (round < 3) continue;
          within += Math.abs(found) <= 100 ? 1 : 0;
          all += 1;
        }
      }
      expect(within / all).toBeGreaterThan(target - 0.05);
      expect(within / all).toBeLessThan(Math.min(1, target + 0.05));
    },
  );
});

describe('advice on an interval', () => {
  const outlook = { by: 'own' as const, rate: -0.5, sRate: 0.02, noise: 25, dof: 8, failed: 0 };
  const asked = { ...ALONE, from: '2026-11-01', target: 0.9 };
  const channel = { label: 'H₂S', outlook, left: 0, kind: { rate: -0.1, spread: 0.05 } };
  it('a channel that is too fast for its interval decides it, and a sensor that goes faster than its kind gets a day by which a new one does as well', () => {
    const still = { label: 'CO', outlook: { ...outlook, rate: -0.02 }, left: 0, kind: null };
    const advice = adviseInterval({ ...asked, present: { months: 8 }, channels: [still, channel] });
    expect(advice).toMatchObject({ way: 'drift', code: 'shorten', every: { months: 6 }, newSensorBy: '2027-05-01' });
    expect(advice.worst!.label).toBe('H₂S');
    expect(advice.worst!.perMonth).toBeCloseTo(-15.2, 1);
    expect(advice.within!.advised).toBeGreaterThan(0.9);
    expect(advice.within!.present).toBeLessThan(0.1);
  });
  it('no interval is short enough where a visit alone scatters as far as the tolerance', () => {
    const wild = { ...channel, outlook: { ...outlook, rate: 0, noise: 100 ** 2 } };
    expect(adviseInterval({ ...asked, present: { months: 6 }, channels: [wild] })).toMatchObject({ code: 'tooFast' });
  });
  it('never more than half or twice at once, never beyond the limits; and says that it is only a step', () => {
    const fast = { ...channel, outlook: { ...outlook, rate: -5 } };
    expect(adviseInterval({ ...asked, present: { months: 8 }, channels: [fast] })).toMatchObject({
      code: 'shorten',
      limited: true,
      every: { months: 4 },
    });
    const calm = { ...channel, outlook: { ...outlook, rate: 0, sRate: 0.001 } };
    expect(adviseInterval({ ...asked, present: { months: 8 }, channels: [calm] })).toMatchObject({
      code: 'extend',
      every: { months: 16 },
    });
    expect(adviseInterval({ ...asked, present: { months: 8 }, longest: { months: 12 }, channels: [calm] }).every).toEqual({
      months: 12,
    });
  });
  it('by the model’s reliability where a channel says too little, by a staircase where the model does too, and else nothing', () => {
    const silent = [{ ...channel, outlook: null }, channel];
    const present = { months: 6 };
    expect(adviseInterval({ ...asked, present, channels: silent, ofModel: { within: 12, visits: 30 } })).toMatchObject({
      way: 'reliability',
      code: 'shorten',
    });
    expect(adviseInterval({ ...asked, present, channels: silent, lastShare: 0.2 })).toMatchObject({
      way: 'staircase',
      code: 'keep',
      every: { months: 6 },
    });
    expect(adviseInterval({ ...asked, present, channels: silent, lastShare: 1.3 })).toMatchObject({
      way: 'staircase',
      code: 'shorten',
      every: { months: 4 },
    });
    expect(adviseInterval({ ...asked, present, channels: [] })).toMatchObject({ way: 'none', code: 'tooFew', every: null });
  });
});

describe('how long sensors serve', () => {
  it('the product-limit estimate of a published table', () => {
    // Remission times in weeks of the 6-MP arm (Freireich and others 1963), + still in remission; the estimates as in textbooks of survival analysis (from memory).
    const ended = [6, 6, 6, 7, 10, 13, 16, 22, 23];
    const going = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35];
    const { steps, median } = survival({
      served: [...ended.map((days) => ({ days, ended: true })), ...going.map((days) => ({ days, ended: false }))],
    });
    expect(steps.map((one) => [one.days, one.atRisk, Number(one.share.toFixed(3))])).toEqual([
      [6, 21, 0.857],
      [7, 17, 0.807],
      [10, 15, 0.753],
      [13, 12, 0.69],
      [16, 11, 0.627],
      [22, 7, 0.538],
      [23, 6, 0.448],
    ]);
    expect(median).toBe(23);
    // Greenwood's standard error at 6 weeks is 0.076.
    const first = steps[0]!;
    expect(first.low).toBeGreaterThan(0.6);
    expect(first.high).toBeLessThan(0.96);
  });
  it('counts those that serve still: on a known life its share holds, while leaving them out would not', () => {
    const normal = normals(3);
    const served = Array.from({ length: 4000 }, () => {
      const life = Math.max(1, Math.round(700 + 150 * normal()));
      const watched = Math.max(1, Math.round(650 + 300 * normal()));
      return life <= watched ? { days: life, ended: true } : { days: watched, ended: false };
    });
    const { steps, median } = survival({ served });
    expect(median).toBeGreaterThan(690);
    expect(median).toBeLessThan(710);
    const at = steps.findLast((one) => one.days <= 550)!;
    expect(at.low).toBeLessThan(0.8413);
    expect(at.high).toBeGreaterThan(0.8413);
    const naive = served
      .filter((one) => one.ended)
      .map((one) => one.days)
      .sort((a, b) => a - b);
    expect(naive[Math.floor(naive.length / 2)]).toBeLessThan(680);
  });
});
