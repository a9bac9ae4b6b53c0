import { describe, expect, it } from 'vitest';
import { bounded, certified, observed } from './component';
import { coverageOf } from './coverage';
import { repeatStudy } from './repeat-study';
import { seededUniform, normalFrom } from './random';

const basis = { code: 'source.practice' } as const;
const part = (
  contribution: number,
  distribution: 'rectangular' | 'normal' | 'triangular' = 'rectangular',
  dof: number | null = null,
) => ({ contribution, distribution, dof });

describe('coverage of a budget', () => {
  it('a rectangle alone: 1.65 (0.95·√3 = 1.645); with a normal part of 0.3 to 0.7 of it about 1.73 to 1.87 (EA-4/02 M:2022, S9.14; convolution)', () => {
    expect(coverageOf([part(1)], 0.95).k).toBeCloseTo(0.95 * Math.sqrt(3), 3);
    expect(coverageOf([part(1)], 0.9545).k).toBeCloseTo(0.9545 * Math.sqrt(3), 3);
    expect(coverageOf([part(1), part(0.3, 'normal')], 0.95).k).toBeCloseTo(1.73, 2);
    expect(coverageOf([part(1), part(0.7, 'normal')], 0.95).k).toBeCloseTo(1.87, 2);
  });
  it('two equal rectangles are a triangle: half·2·(1 − √0.0455) in standard deviations (analysis)', () => {
    const share = 1 - 0.954499736103642;
    expect(coverageOf([part(1), part(1)], 0.9545).k).toBeCloseTo((2 * (1 - Math.sqrt(share))) / Math.sqrt(2 / 3), 4);
    // The root is found to the end, not only begun.
    expect(coverageOf([part(1), part(1)], 0.95).k).toBeCloseTo((2 * (1 - Math.sqrt(0.05))) / Math.sqrt(2 / 3), 6);
    expect(coverageOf([part(1, 'triangular')], 0.9545).k).toBeCloseTo(coverageOf([part(1), part(1)], 0.9545).k, 6);
  });
  it('says which it is: a rectangle alone (a component of nothing beside it is none), or a convolution', () => {
    expect(coverageOf([part(1), part(0)], 0.95).kReason).toMatchObject({ code: 'k.rectangle' });
    expect(coverageOf([part(1), part(1)], 0.95).kReason).toMatchObject({ code: 'k.convolution', numbers: { share: 100 } });
    expect(coverageOf([part(1), part(0.5, 'normal')], 0.95).kReason).toMatchObject({ numbers: { share: 80 } });
  });
  it('where nothing bounded weighs, t of the effective degrees of freedom (JCGM 100:2008, G.2: ν 10 → 2.28)', () => {
    expect(coverageOf([part(1, 'normal', 10)], 0.9545)).toMatchObject({ kReason: null, effectiveDof: 10 });
    expect(coverageOf([part(1, 'normal', 10)], 0.9545).k).toBeCloseTo(2.28, 2);
    expect(coverageOf([], 0.9545)).toMatchObject({ standard: 0, k: 2, expanded: 0 });
  });
  it('agrees with drawing the distributions themselves (JCGM 101:2008): mixes of rectangles, normals and few readings', () => {
    const uniform = seededUniform(11);
    const normal = normalFrom(uniform);
    const student = (dof: number) => {
      let square = 0;
      for (let i = 0; i < dof; i += 1) square += normal() ** 2;
      return normal() / Math.sqrt(square / dof);
    };
    for (const parts of [
      [part(1), part(0.5), part(0.4, 'normal')],
      [part(1), part(0.9), part(0.8)],
      [part(0.6, 'normal', 8), part(1)],
      [part(1, 'normal'), part(0.7), part(0.5)],
    ]) {
      const draws = Float64Array.from({ length: 60_000 }, () =>
        Math.abs(
          parts.reduce(
            (sum, one) =>
              sum +
              one.contribution *
                (one.distribution === 'rectangular' ? Math.sqrt(3) * (2 * uniform() - 1) : one.dof ? student(one.dof) : normal()),
            0,
          ),
        ),
      ).sort();
      const { expanded } = coverageOf(parts, 0.9545);
      expect(Math.abs(expanded / draws[Math.floor(0.9545 * draws.length)]! - 1)).toBeLessThan(0.05);
    }
  });
});

describe('worked examples through the same components', () => {
  it('EA-4/02 M:2022, S2, a weight of 10 kg: u 29.3 mg, U 59 mg (values from memory)', () => {
    const components = [
      certified({ id: 'reference', expanded: 45, k: 2, basis }),
      bounded({ id: 'referenceStability', half: 15, basis }),
      observed({ id: 'repeatability', s: 25, n: 3, dof: 1e9, basis }),
      bounded({ id: 'cell', half: 10, basis }),
      bounded({ id: 'compensation', half: 10, basis }),
    ];
    expect(components.map((one) => Number(one.contribution.toPrecision(3)))).toEqual([22.5, 8.66, 14.4, 5.77, 5.77]);
    const whole = coverageOf(components, 0.9545);
    expect(whole.standard).toBeCloseTo(29.3, 0);
    expect(Math.round(whole.k * Number(whole.standard.toPrecision(3)))).toBeGreaterThanOrEqual(58);
    expect(Math.round(2 * 29.3)).toBe(59);
  });
  it('EA-4/02 M:2022, S9, a multimeter at 100 V: u 0.030 V, k 1.65, U 0.05 V (values from memory)', () => {
    const whole = coverageOf(
      [
        certified({ id: 'reference', expanded: 0.002, k: 2, basis }),
        bounded({ id: 'referenceStability', half: 0.011, basis }),
        bounded({ id: 'resolution', half: 0.05, basis }),
      ],
      0.95,
    );
    expect(whole.standard.toFixed(3)).toBe('0.030');
    expect(whole.k).toBeGreaterThan(1.64);
    expect(whole.k).toBeLessThan(1.72);
    expect(whole.expanded.toFixed(2)).toBe('0.05');
  });
  it('JCGM 100:2008, H.1, end gauge: components 25 (ν 18), 9.7 (25.6), 2.9 (50), 16.6 (2) nm: u 31.7, ν_eff 16.7, U99 93 nm', () => {
    const whole = coverageOf(
      [part(25, 'normal', 18), part(9.7, 'normal', 25.6), part(2.9, 'normal', 50), part(16.6, 'normal', 2)],
      0.99,
    );
    expect(whole.standard).toBeCloseTo(31.7, 1);
    expect(whole.effectiveDof).toBeCloseTo(16.7, 0);
    expect(Math.round(whole.expanded)).toBeGreaterThanOrEqual(92);
    expect(Math.round(whole.expanded)).toBeLessThanOrEqual(93);
  });
});

describe('components and studies refuse what says nothing', () => {
  it('a negative bound, a k of nothing, a single reading', () => {
    expect(() => bounded({ id: 'flow', half: -1, basis })).toThrow(/flow.half/);
    expect(() => certified({ id: 'reference', expanded: 1, k: 0, basis })).toThrow(/reference.k/);
    expect(() => observed({ id: 'repeatability', s: 1, n: 1, basis })).toThrow(/dof/);
  });
  it('a study pools its series: s of [10 11 10] and [12 12 11] is √(4/3 / 4) (JCGM 100:2008, 4.2.2)', () => {
    expect(
      repeatStudy({
        series: [
          [10, 11, 10],
          [12, 12, 11],
        ],
      }),
    ).toMatchObject({ dof: 4, n: 6 });
    expect(
      repeatStudy({
        series: [
          [10, 11, 10],
          [12, 12, 11],
        ],
      }).s,
    ).toBeCloseTo(Math.sqrt(4 / 3 / 4), 9);
    expect(() =>
      repeatStudy({
        series: [
          [1, 2],
          [3, 4],
        ],
      }),
    ).toThrow(/at least 5 readings, got 4/);
    expect(() => repeatStudy({ series: [[1, 2, 3, 4, 5], [6]] })).toThrow(/series\[1\]/);
  });
});
