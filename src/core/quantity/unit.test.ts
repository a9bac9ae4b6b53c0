import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import ucum from '@lhncbc/ucum-lhc';
import { interpolateTable } from './interpolate-table';
import { convert, UNITS } from './unit';

const library = ucum.UcumLhcUtils.getInstance();

describe('units', () => {
  it.each(UNITS.map((unit) => [unit.symbol, unit.ucum]))(
    '%s has the UCUM code %s (The Unified Code for Units of Measure, by a kept library)',
    (_symbol, code) => {
      expect(library.validateUnitString(code).status).toBe('valid');
    },
  );
  it('every conversion agrees with the library', () => {
    for (const from of UNITS)
      for (const to of UNITS.filter((unit) => unit.dimension === from.dimension && unit.dimension !== 'fraction')) {
        const { toVal } = library.convertUnitTo(from.ucum, 12.5, to.ucum);
        expect(
          convert({ value: '12.5', from: from.symbol, to: to.symbol }) / toVal!,
          `${from.symbol} to ${to.symbol}`,
        ).toBeCloseTo(1, 5);
      }
  });
  it('0.1 %vol is 1000 ppm exactly; 1 atm is 760 mmHg (definition, to its digits); 0 °C is 273.15 K', () => {
    expect(convert({ value: '0.1', from: '%vol', to: 'ppm' })).toBe(1000);
    expect(convert({ value: 1, from: 'atm', to: 'mmHg' })).toBeCloseTo(760, 1);
    expect(convert({ value: 0, from: '°C', to: 'K' })).toBe(273.15);
    expect(convert({ value: 1, from: 'mS/cm', to: 'µS/cm' })).toBe(1000);
    // 1 mS/cm = 1 EC (common practice).
    expect(convert({ value: 1, from: 'mS/cm', to: 'EC' })).toBe(1);
    expect(() => convert({ value: 1, from: 'ppm', to: 'hPa' })).toThrow(/to must be a unit of fraction/);
    expect(() => convert({ value: 1, from: 'grain', to: 'hPa' })).toThrow(/unit must be one of/);
    expect(() => convert({ value: NaN, from: 'ppm', to: 'ppb' })).toThrow(/value/);
  });
  it('there and back again', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNITS),
        fc.constantFrom(...UNITS),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (a, b, value) => {
          fc.pre(a.dimension === b.dimension);
          const there = convert({ value, from: a.symbol, to: b.symbol });
          expect(Math.abs(convert({ value: there, from: b.symbol, to: a.symbol }) - value)).toBeLessThanOrEqual(
            1e-9 * Math.max(1, Math.abs(value)),
          );
        },
      ),
    );
  });
});

describe('tables', () => {
  it('gives its own entries exactly, lies between neighbours, and refuses to go beyond', () => {
    const table = [
      [0, 1],
      [10, 3],
      [20, 2],
    ] as const;
    expect(table.map(([at]) => interpolateTable({ table, name: 't', at }))).toEqual([1, 3, 2]);
    expect(interpolateTable({ table, name: 't', at: 15 })).toBe(2.5);
    expect(() => interpolateTable({ table, name: 't', at: 21 })).toThrow('t must be a number from 0 to 20, got 21');
    expect(() => interpolateTable({ table: [], name: 't', at: 1 })).toThrow(RangeError);
  });
});
