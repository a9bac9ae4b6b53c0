import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import psychrolib from 'psychrolib';
import { drift, sensorHealth, zeroAndSpanDrift } from './drift';
import { dryGasTarget } from './dry-gas-target';
import { lelToVolPercent, volPercentToLel } from './lel';
import { LEL_TABLE, lowerExplosiveLimit } from './lel-table';
import { pidConcentration, pidMixtureFactor } from './pid-response';
import { mgPerM3ToPpm, molarVolume, ppmToMgPerM3 } from './ppm-to-mg-per-m3';
import { shortTermExposure } from './short-term-exposure';
import { standardPressure } from './standard-pressure';
import { timeWeightedAverage } from './time-weighted-average';

describe('gas', () => {
  it.each([
    [0, 1013.25],
    [500, 954.61],
    [1000, 898.75],
    [1500, 845.56],
    [2000, 794.95],
    [3000, 701.09],
  ])('standard atmosphere at %i m is %d hPa (ISO 2533:1975)', (altitudeM, pressure) => {
    expect(standardPressure({ altitudeM })).toBeCloseTo(pressure, 1);
  });
  it('2.5 %vol methane is 50 %LEL at 5.0 %vol (NFPA 497; common practice), 56.8 at 4.4 %vol (IEC 60079-20-1; memory)', () => {
    expect(volPercentToLel({ volPercent: 2.5, lelVolPercent: 5 })).toBe(50);
    expect(volPercentToLel({ volPercent: 2.5, lelVolPercent: 4.4 })).toBeCloseTo(56.8, 1);
  });
  it('1.45 %vol methane is 58 %LEL on a pentane scale and 29 on a methane scale (common practice)', () => {
    expect(volPercentToLel({ volPercent: 1.45, lelVolPercent: 5, relativeResponse: 2 })).toBeCloseTo(58, 9);
    expect(volPercentToLel({ volPercent: 1.45, lelVolPercent: 5 })).toBeCloseTo(29, 9);
  });
  it('there and back again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        (lel, lelVolPercent) => {
          const volPercent = lelToVolPercent({ lel, lelVolPercent });
          expect(volPercentToLel({ volPercent, lelVolPercent })).toBeCloseTo(lel, 9);
        },
      ),
    );
  });
  it('dry gas of 0.038 at 270 m shows 0.037 (common practice, label table)', () => {
    expect(dryGasTarget({ nominal: '0.038', pressureHPa: standardPressure({ altitudeM: 270 }), resolution: '0.001' })).toBe(
      '0.037',
    );
    expect(dryGasTarget({ nominal: 0.038, pressureHPa: 1013.25, resolution: 0.001 })).toBe('0.038');
  });
  it('refuses what is out of range, naming argument and range', () => {
    expect(() => standardPressure({ altitudeM: 12000 })).toThrow('altitudeM must be a number from -500 to 11000, got 12000');
    expect(() => volPercentToLel({ volPercent: NaN, lelVolPercent: 5 })).toThrow(RangeError);
    expect(() => volPercentToLel({ volPercent: 1, lelVolPercent: 0 })).toThrow(/lelVolPercent/);
    expect(() => timeWeightedAverage({ exposures: [{ hours: 2, level: -1 }], referenceHours: 8 })).toThrow(
      /exposures\[0\]\.level/,
    );
    expect(() => lowerExplosiveLimit({ gas: 'Xe', source: 'NFPA 497' })).toThrow(/gas/);
  });
});

describe('standard pressure against an independent library', () => {
  it('psychrolib GetStandardAtmPressure from -500 to 10 000 m, within 0.02 %', () => {
    psychrolib.SetUnitSystem(psychrolib.SI);
    for (let altitudeM = -500; altitudeM <= 10_000; altitudeM += 250) {
      expect(Math.abs((standardPressure({ altitudeM }) * 100) / psychrolib.GetStandardAtmPressure(altitudeM) - 1)).toBeLessThan(
        2e-4,
      );
    }
  });
});

describe('lower explosive limits', () => {
  it('methane 5.0 %vol (NFPA 497) and 4.4 %vol (IEC 60079-20-1; memory); each entry plausible, IEC never above NFPA', () => {
    expect(lowerExplosiveLimit({ gas: 'CH4', source: 'NFPA 497' })).toBe(5);
    expect(lowerExplosiveLimit({ gas: 'CH4', source: 'IEC 60079-20-1' })).toBe(4.4);
    for (const { nfpa, iec, gas } of LEL_TABLE) {
      expect(nfpa! >= iec! && iec! > 0.5 && nfpa! <= 15, gas).toBe(true);
    }
  });
});

describe('mass concentration', () => {
  it('one mole fills 24.4654 L at 25 °C and 1 atm (CODATA 2018, computed)', () => {
    expect(molarVolume({ temperatureC: 25, pressureHPa: 1013.25 })).toBeCloseTo(24.4654, 4);
  });
  it.each([
    ['CO', 28.01, 1.15],
    ['H2S', 34.08, 1.39],
    ['Cl2', 70.9, 2.9],
    ['SO2', 64.06, 2.62],
  ])('1 ppm of %s at 25 °C is about its NIOSH Pocket Guide factor (memory)', (_gas, molarMass, mgPerM3) => {
    expect(Math.abs(ppmToMgPerM3({ ppm: 1, molarMass, temperatureC: 25, pressureHPa: 1013.25 }) - mgPerM3)).toBeLessThan(0.01);
  });
  it('there and back again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.double({ min: 2, max: 300, noNaN: true }),
        fc.double({ min: -20, max: 60, noNaN: true }),
        (ppm, molarMass, temperatureC) => {
          const state = { molarMass, temperatureC, pressureHPa: 990 };
          expect(mgPerM3ToPpm({ mgPerM3: ppmToMgPerM3({ ppm, ...state }), ...state })).toBeCloseTo(ppm, 6);
        },
      ),
    );
  });
});

describe('photoionisation', () => {
  it('a factor below 1 is a gas the lamp sees better; a mixture lies between its parts (definition)', () => {
    expect(pidConcentration({ reading: 100, factor: 0.53 })).toBeCloseTo(53, 9);
    expect(
      pidMixtureFactor({
        parts: [
          { share: 0.5, factor: 1 },
          { share: 0.5, factor: 0.5 },
        ],
      }),
    ).toBeCloseTo(2 / 3, 9);
    expect(() => pidMixtureFactor({ parts: [{ share: 0.5, factor: 1 }] })).toThrow(/add up to 1/);
  });
});

describe('exposure', () => {
  it('2 h at 150, 2 h at 75, 4 h at 50 ppm is 81.25 ppm (29 CFR 1910.1000(d)(1)(ii), worked example)', () => {
    expect(
      timeWeightedAverage({
        exposures: [
          { hours: 2, level: 150 },
          { hours: 2, level: 75 },
          { hours: 4, level: 50 },
        ],
        referenceHours: 8,
      }),
    ).toBe(81.25);
  });
  it('a constant level is its own short-term exposure, a shorter one is averaged over the whole 15 minutes (definition)', () => {
    expect(shortTermExposure({ samples: [{ seconds: 0, value: 30 }], end: 3600 }).level).toBeCloseTo(30, 12);
    expect(
      shortTermExposure({
        samples: [
          { seconds: 0, value: 100 },
          { seconds: 450, value: 0 },
        ],
      }).level,
    ).toBeCloseTo(50, 12);
  });
  it('is the highest of all windows: against every window tried one by one', () => {
    const steps = fc.array(fc.tuple(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 0, max: 100 })), {
      minLength: 1,
      maxLength: 25,
    });
    fc.assert(
      fc.property(steps, (given) => {
        let seconds = 0;
        const samples = given.map(([pause, value]) => ({ seconds: (seconds += pause), value }));
        const end = seconds + 300;
        const level = (t: number) =>
          t < samples[0]!.seconds || t >= end ? 0 : samples.filter((one) => one.seconds <= t).at(-1)!.value;
        let highest = -Infinity;
        let dose = 0;
        const perSecond = Array.from({ length: end + 1800 }, (_unused, i) => level(i - 900));
        perSecond.forEach((value, i) => {
          dose += value - (i >= 900 ? perSecond[i - 900]! : 0);
          highest = Math.max(highest, dose / 900);
        });
        expect(shortTermExposure({ samples, end }).level).toBeCloseTo(highest, 9);
      }),
      { numRuns: 60 },
    );
  });
  it('even readings take a shorter way to the same answer', () => {
    const levels = fc.array(fc.integer({ min: -3, max: 100 }), { minLength: 2, maxLength: 80 });
    fc.assert(
      fc.property(levels, fc.constantFrom(60, 100, 450), (given, step) => {
        const samples = given.map((value, i) => ({ seconds: 1000 + i * step, value }));
        // One reading more, at the same level, breaks the evenness and changes nothing.
        const broken = [samples[0]!, { seconds: 1000 + step / 3, value: given[0]! }, ...samples.slice(1)];
        expect(shortTermExposure({ samples }).level).toBeCloseTo(shortTermExposure({ samples: broken }).level, 9);
      }),
    );
  });
  it('keeps its scale, and names a reading that is out of order', () => {
    const samples = [
      { seconds: 0, value: 3 },
      { seconds: 700, value: 9 },
      { seconds: 1500, value: 1 },
    ];
    expect(shortTermExposure({ samples: samples.map((one) => ({ ...one, value: one.value * 7 })) }).level).toBeCloseTo(
      7 * shortTermExposure({ samples }).level,
      9,
    );
    expect(() => shortTermExposure({ samples: [samples[1]!, samples[0]!] })).toThrow(/reading 2/);
    expect(() => shortTermExposure({ samples: [] })).toThrow(RangeError);
  });
});

describe('drift and health of a sensor', () => {
  it('drift since the last adjustment is found less left, a month being 30.44 days (definition)', () => {
    expect(drift({ errorFound: -3.5, errorLeft: 0.5, days: 182.625, target: 25 })).toEqual({
      change: -4,
      perMonth: expect.closeTo(-4 / 6, 9) as number,
      percentOfTarget: -16,
    });
    expect(drift({ errorFound: 1, errorLeft: 0, days: 0, target: 0 })).toEqual({
      change: 1,
      perMonth: null,
      percentOfTarget: null,
    });
  });
  it('zero and span are told apart', () => {
    const told = zeroAndSpanDrift({ then: { zero: 0, span: 50 }, now: { zero: 1, span: 46 } });
    expect(told.zero).toBe(1);
    expect(told.spanPercent).toBeCloseTo(-10, 12);
    expect(() => zeroAndSpanDrift({ then: { zero: 5, span: 5 }, now: { zero: 0, span: 1 } })).toThrow(RangeError);
  });
  it('raw output now against new, or the product of the as-found ratios (common practice)', () => {
    expect(sensorHealth({ rawNow: 0.31, rawNew: 0.5 })).toEqual({ percent: 62, basis: 'raw' });
    expect(sensorHealth({ ratios: [0.9, 0.9] }).percent).toBeCloseTo(81, 9);
    expect(sensorHealth({ ratios: [] }).percent).toBe(100);
  });
});
