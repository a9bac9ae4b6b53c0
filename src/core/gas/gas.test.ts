import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { dryGasTarget } from './dry-gas-target';
import { gasAvailable } from './gas-available';
import { lelToVolPercent, volPercentToLel } from './lel';
import { runsLeft } from './runs-left';
import { standardPressure } from './standard-pressure';

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
  it('34 L at 0.5 L/min, 2 min a run: 34 runs on paper, 30 with 13 % waste (common practice)', () => {
    expect(runsLeft({ availableL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0 })).toBe(34);
    expect(runsLeft({ availableL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0.13 })).toBe(30);
    expect(gasAvailable({ waterVolumeL: 0.5, gaugePressureBar: 68.9 })).toBeCloseTo(34, 1);
  });
  it('refuses what is out of range, naming argument and range', () => {
    expect(() => standardPressure({ altitudeM: 12000 })).toThrow('altitudeM must be a number from -500 to 11000, got 12000');
    expect(() => volPercentToLel({ volPercent: NaN, lelVolPercent: 5 })).toThrow(RangeError);
    expect(() => volPercentToLel({ volPercent: 1, lelVolPercent: 0 })).toThrow(/lelVolPercent/);
    expect(() => runsLeft({ availableL: 1, flowLPerMin: 0, minutes: 1, wasteFactor: 0 })).toThrow(/flowLPerMin/);
  });
});
