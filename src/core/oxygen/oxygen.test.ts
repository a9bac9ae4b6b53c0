import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { airCalibrationTarget, airPlausibility } from './air-calibration';
import { oxygenProbeSlope } from './oxygen-probe-slope';
import { oxygenPercentOfOneAtmosphere, oxygenSaturationPercent } from './oxygen-saturation';
import { oxygenSolubility } from './oxygen-solubility';

const ATM = 1013.25;

describe('solubility of oxygen', () => {
  it.each([
    [0, 14.621],
    [5, 12.771],
    [10, 11.288],
    [15, 10.084],
    [20, 9.092],
    [25, 8.263],
    [30, 7.559],
    [35, 6.949],
    [40, 6.413],
  ])('fresh water at %i °C and 1 atm: %d mg/L (Benson and Krause 1984 as in APHA 4500-O)', (temperatureC, mgPerL) => {
    expect(oxygenSolubility({ temperatureC, pressureHPa: ATM, salinity: 0 })).toBeCloseTo(mgPerL, 3);
  });
  it('at salinity 35: 7.396 at 20 °C, 6.772 at 25 °C; at 0.9 atm and 20 °C 8.162, 89.77 % of 1 atm (same source, with its pressure term)', () => {
    expect(oxygenSolubility({ temperatureC: 20, pressureHPa: ATM, salinity: 35 })).toBeCloseTo(7.396, 3);
    expect(oxygenSolubility({ temperatureC: 25, pressureHPa: ATM, salinity: 35 })).toBeCloseTo(6.772, 3);
    const high = oxygenSolubility({ temperatureC: 20, pressureHPa: 0.9 * ATM, salinity: 0 });
    expect(high).toBeCloseTo(8.162, 3);
    expect((high / oxygenSolubility({ temperatureC: 20, pressureHPa: ATM, salinity: 0 })) * 100).toBeCloseTo(89.77, 2);
  });
  it('falls with temperature and salinity, rises with pressure', () => {
    const anywhere = fc.record({
      temperatureC: fc.double({ min: 0, max: 39, noNaN: true }),
      pressureHPa: fc.double({ min: 500, max: 1090, noNaN: true }),
      salinity: fc.double({ min: 0, max: 39, noNaN: true }),
    });
    fc.assert(
      fc.property(anywhere, (water) => {
        const here = oxygenSolubility(water);
        expect(oxygenSolubility({ ...water, temperatureC: water.temperatureC + 1 })).toBeLessThan(here);
        expect(oxygenSolubility({ ...water, salinity: water.salinity + 1 })).toBeLessThan(here);
        expect(oxygenSolubility({ ...water, pressureHPa: water.pressureHPa + 10 })).toBeGreaterThan(here);
        expect(oxygenSaturationPercent({ ...water, concentrationMgPerL: here })).toBeCloseTo(100, 9);
      }),
    );
  });
  it('refuses what it was not made for', () => {
    expect(() => oxygenSolubility({ temperatureC: 41, pressureHPa: ATM, salinity: 0 })).toThrow(
      'temperatureC must be a number from 0 to 40, got 41',
    );
    expect(() => oxygenSolubility({ temperatureC: 20, pressureHPa: 101.3, salinity: 0 })).toThrow(/pressureHPa/);
    expect(() => oxygenSaturationPercent({ concentrationMgPerL: NaN, temperatureC: 20, pressureHPa: ATM, salinity: 0 })).toThrow(
      /concentrationMgPerL/,
    );
  });
});

describe('per cent, local and at 1 atm', () => {
  it('at 1500 m moist air is 100 % of local saturation and about 83 % at 1 atm (common practice)', () => {
    const target = airCalibrationTarget({ temperatureC: 20, pressureHPa: 845.56 });
    expect(target.percentLocal).toBe(100);
    expect(target.percentOfOneAtm).toBeCloseTo(83, 0);
    // The water that saturates there, told in both ways.
    expect(
      oxygenSaturationPercent({ concentrationMgPerL: target.mgPerL, temperatureC: 20, pressureHPa: 845.56, salinity: 0 }),
    ).toBeCloseTo(100, 9);
    expect(oxygenPercentOfOneAtmosphere({ concentrationMgPerL: target.mgPerL, temperatureC: 20, salinity: 0 })).toBeCloseTo(
      target.percentOfOneAtm,
      0,
    );
  });
  it.each([
    [88, 'local', ATM, 'plausible'],
    [110, 'local', ATM, 'plausible'],
    [87.9, 'local', ATM, 'tooLow'],
    [110.5, 'local', ATM, 'tooHigh'],
    [83, 'oneAtm', 845.56, 'plausible'],
    [83, 'local', 845.56, 'tooLow'],
    [100, 'oneAtm', 845.56, 'tooHigh'],
  ] as const)(
    '%d %% (%s) at %d hPa is %s (88 to 110 % of what is expected: common practice)',
    (shownPercent, scale, pressureHPa, code) => {
      expect(airPlausibility({ shownPercent, scale, temperatureC: 20, pressureHPa }).code).toBe(code);
    },
  );
  it('slope of the probe: 0.2095 of the dry pressure, and what is left of it', () => {
    // At 25 °C and 1 atm: 0.2095 · (1013.25 - 31.7) hPa = 205.6 hPa (partial pressure of oxygen in moist air; memory).
    expect(oxygenProbeSlope({ signal: 205.6, temperatureC: 25, pressureHPa: ATM }).slope).toBeCloseTo(1, 2);
    expect(
      oxygenProbeSlope({ signal: 60.5, zeroSignal: 0.5, temperatureC: 25, pressureHPa: ATM, slopeWhenNew: 0.3 }).percentOfNew,
    ).toBeCloseTo(97.3, 0);
    expect(() => oxygenProbeSlope({ signal: 1, zeroSignal: 2, temperatureC: 25, pressureHPa: ATM })).toThrow(/signal/);
  });
});
