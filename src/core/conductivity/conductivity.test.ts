import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { astmSolution } from './astm-solution';
import { cellConstant, cellConstantFrom } from './cell-constant';
import { displayConductivity, displayDissolvedSolids } from './display-conductivity';
import { kclStandard, type KclStandard } from './kcl-standard';
import { naturalWaterTo25 } from './natural-water';
import { practicalSalinity, salinityFromRatio } from './practical-salinity';
import { resistivity } from './resistivity';
import { toReferenceTemperature } from './to-reference-temperature';
import { mixedSaltSolids, totalDissolvedSolids } from './total-dissolved-solids';

describe('potassium chloride standards', () => {
  it.each<[KclStandard, number[], number[], string]>([
    ['1413', [0, 5, 10, 15, 20, 25, 30], [776, 896, 1020, 1147, 1278, 1413, 1552], 'handbook table; memory'],
    ['12880', [0, 5, 10, 15, 20, 25, 30], [7150, 8220, 9330, 10480, 11670, 12880, 14120], 'handbook table; memory'],
    ['84', [10, 15, 20, 25, 30], [60, 68, 76, 84, 92], 'bottle label; memory'],
  ])('%s µS/cm over temperature', (standard, temperatures, values) => {
    expect(temperatures.map((temperatureC) => kclStandard({ standard, temperatureC }))).toEqual(values);
  });
  it('solutions A, B, C, D of ASTM D1125 at 25 °C (memory): 111 342, 12 856, 1408.8, 146.93; ours by volume lie within 0.4 % of B and C', () => {
    expect((['A', 'B', 'C', 'D'] as const).map((solution) => astmSolution({ solution }))).toEqual([
      111_342, 12_856, 1408.8, 146.93,
    ]);
    // 0.1 and 0.01 mol/L of the handbook are another make-up than the solutions by weight.
    expect(Math.abs(kclStandard({ standard: '12880', temperatureC: 25 }) / astmSolution({ solution: 'B' }) - 1)).toBeLessThan(
      0.004,
    );
    expect(Math.abs(kclStandard({ standard: '1413', temperatureC: 25 }) / astmSolution({ solution: 'C' }) - 1)).toBeLessThan(
      0.004,
    );
    expect(() => astmSolution({ solution: 'E' as 'A' })).toThrow(/solution/);
  });
  it('a lot’s own table overrides; outside the table is refused', () => {
    expect(
      kclStandard({
        standard: '1413',
        temperatureC: 22,
        lotTable: [
          [20, 1280],
          [24, 1388],
        ],
      }),
    ).toBeCloseTo(1334, 9);
    expect(() => kclStandard({ standard: '84', temperatureC: 5 })).toThrow('temperatureC must be a number from 10 to 30, got 5');
    expect(() => kclStandard({ standard: '500' as KclStandard, temperatureC: 25 })).toThrow(/standard/);
  });
});

describe('temperature compensation', () => {
  it('linear: 1278 µS/cm at 20 °C is 1413 at 25 °C with the coefficient of KCl between the two (handbook table; memory)', () => {
    expect(toReferenceTemperature({ conductivity: 1278, temperatureC: 20, referenceC: 25, alphaPercentPerC: 1.911 })).toBeCloseTo(
      1413,
      0,
    );
  });
  it('there and back again, and unchanged at the reference', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (conductivity, temperatureC, alpha) => {
          const referred = toReferenceTemperature({ conductivity, temperatureC, referenceC: 25, alphaPercentPerC: alpha });
          expect(referred * (1 + (alpha / 100) * (temperatureC - 25))).toBeCloseTo(conductivity, 6);
        },
      ),
    );
    expect(toReferenceTemperature({ conductivity: 500, temperatureC: 25, referenceC: 25, alphaPercentPerC: 2 })).toBe(500);
    expect(() => toReferenceTemperature({ conductivity: 500, temperatureC: -5, referenceC: 25, alphaPercentPerC: 5 })).toThrow(
      /temperatureC/,
    );
  });
  it('natural waters: the table (memory) agrees within 0.7 % with the viscosity formula of the same standard, ISO 7888:1985, annex (memory)', () => {
    const viscosityRatio = (t: number) => 10 ** -((1.37023 * (t - 20) + 8.36e-4 * (t - 20) ** 2) / (109 + t));
    for (let t = 0; t <= 35; t += 2.5) {
      const formula = (1 - 0.962144 + 0.962144 * viscosityRatio(t) ** 0.965078) * 1.116;
      expect(Math.abs(naturalWaterTo25({ conductivity: 1, temperatureC: t }) / formula - 1)).toBeLessThan(0.007);
    }
    expect(naturalWaterTo25({ conductivity: 1, temperatureC: 20 })).toBe(1.116);
  });
});

describe('cell constant', () => {
  it('standard over conductance; several standards weigh the same', () => {
    expect(cellConstant({ standardUsPerCm: 1413, conductanceUs: 1500 })).toBe(0.942);
    const { cellConstant: constant, deviationsPercent } = cellConstantFrom({
      readings: [
        { standardUsPerCm: 84, conductanceUs: 84 },
        { standardUsPerCm: 12880, conductanceUs: 12880 / 1.01 },
      ],
    });
    expect(constant).toBeCloseTo(1.005, 3);
    expect(deviationsPercent[0]).toBeCloseTo(-deviationsPercent[1]!, 1);
  });
  it('check standard 1417 read as 1419 is + 0.14 % (common practice: excellent)', () => {
    expect((1419 / 1417 - 1) * 100).toBeCloseTo(0.14, 2);
    expect(cellConstantFrom({ readings: [{ standardUsPerCm: 1417, conductanceUs: 1419 }] }).spreadPercent).toBe(0);
  });
  it('is independent of the unit: scaling all standards and conductances alike changes nothing', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 1, max: 1e5, noNaN: true }), fc.double({ min: 1, max: 1e5, noNaN: true })), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        (pairs, scale) => {
          const at = (factor: number) =>
            cellConstantFrom({ readings: pairs.map(([s, g]) => ({ standardUsPerCm: s * factor, conductanceUs: g * factor })) })
              .cellConstant;
          expect(at(scale) / at(1)).toBeCloseTo(1, 9);
        },
      ),
    );
    expect(() => cellConstant({ standardUsPerCm: 1413, conductanceUs: 0 })).toThrow(/conductanceUs/);
  });
});

describe('practical salinity', () => {
  it('35.000 for 42.914 mS/cm at 15 °C (IPTS-68) and 0 dbar: definition of PSS-78 (UNESCO Tech. Pap. Mar. Sci. 44)', () => {
    expect(practicalSalinity({ conductivityMsPerCm: 42.914, temperatureC: 15 / 1.00024, pressureDbar: 0 })).toBeCloseTo(35, 6);
  });
  it.each([
    [1.2, 20, 2000, 37.245628],
    [0.65, 5, 1500, 27.995347],
  ])('check value of UNESCO 44: R %d, %d °C, %d dbar is %d', (ratio, t68, pressureDbar, salinity) => {
    expect(salinityFromRatio({ ratio, t68, pressureDbar })).toBeCloseTo(salinity, 6);
  });
  it.each([
    [12.88, 25, 7.3921],
    [50, 25, 32.7332],
    [30, 10, 26.8592],
  ])('%d mS/cm at %d °C is %d (GSW-Python 3.6.16, SP_from_C)', (conductivityMsPerCm, temperatureC, salinity) => {
    expect(practicalSalinity({ conductivityMsPerCm, temperatureC, pressureDbar: 0 })).toBeCloseTo(salinity, 4);
  });
  it('rises with conductivity, without a step at 2 where the low-salinity extension begins', () => {
    let last = -1;
    for (let conductivityMsPerCm = 0; conductivityMsPerCm <= 6; conductivityMsPerCm += 0.01) {
      const salinity = practicalSalinity({ conductivityMsPerCm, temperatureC: 20, pressureDbar: 0 });
      expect(salinity).toBeGreaterThanOrEqual(last);
      if (last > 1) expect(salinity - last).toBeLessThan(0.0075);
      last = salinity;
    }
    expect(() => practicalSalinity({ conductivityMsPerCm: 90, temperatureC: 10, pressureDbar: 0 })).toThrow(
      /conductivityMsPerCm/,
    );
  });
});

describe('dissolved solids, displays, resistivity', () => {
  it('5.0 mS/cm is 2500 ppm at 0.5 and 3500 at 0.7; mixed salt 731 µS/cm = 500 ppm, 1417 = 1000 (common practice)', () => {
    expect(totalDissolvedSolids({ conductivityUsPerCm: 5000, factor: 0.5 })).toBe(2500);
    expect(totalDissolvedSolids({ conductivityUsPerCm: 5000, factor: 0.7 })).toBe(3500);
    expect(mixedSaltSolids({ conductivityUsPerCm: 731 })).toBeCloseTo(500, 9);
    expect(mixedSaltSolids({ conductivityUsPerCm: 1417 })).toBeCloseTo(1000, 9);
    expect(mixedSaltSolids({ conductivityUsPerCm: 0 })).toBe(0);
    expect(() => mixedSaltSolids({ conductivityUsPerCm: 3001 })).toThrow(RangeError);
  });
  it.each([
    [2500, '2.50', 'mS/cm'],
    [0, '0.0', 'µS/cm'],
    [84, '84.0', 'µS/cm'],
    [199.96, '200', 'µS/cm'],
    [1413, '1413', 'µS/cm'],
    [1999.4, '1999', 'µS/cm'],
    [1999.6, '2.00', 'mS/cm'],
    [12880, '12.88', 'mS/cm'],
    [19_996, '20.0', 'mS/cm'],
    [111_342, '111.3', 'mS/cm'],
    [250_000, '250', 'mS/cm'],
  ])('%d µS/cm shows %s %s (common practice: over 1999 µS/cm shows mS/cm)', (conductivityUsPerCm, value, unit) => {
    expect(displayConductivity({ conductivityUsPerCm })).toEqual({ value, unit });
  });
  it('over 999 ppm shows ppt; pure water of 0.055 µS/cm has 18.2 MΩ·cm (common practice)', () => {
    expect(displayDissolvedSolids({ ppm: 999.4 })).toEqual({ value: '999', unit: 'ppm' });
    expect(displayDissolvedSolids({ ppm: 1000 })).toEqual({ value: '1.00', unit: 'ppt' });
    expect(resistivity({ conductivityUsPerCm: 0.055 })).toBeCloseTo(18.2, 1);
  });
});
