import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { decimalPlaces, parseDecimal } from './decimal';
import { checkTypedReading, readingNumber } from './reading';
import { roundHalfEven } from './round-half-even';
import { roundUncertainty } from './round-uncertainty';

describe('rounding half to even (ISO 80000-1:2009, annex B, rule A)', () => {
  it.each([
    ['2.675', 2, '2.68'],
    ['2.665', 2, '2.66'],
    ['1.005', 2, '1.00'],
    ['0.5', 0, '0'],
    ['1.5', 0, '2'],
    ['-0.4', 0, '0'],
    ['-2.5', 0, '-2'],
  ])('%s to %i places is %s', (value, places, text) => {
    expect(roundHalfEven({ value, places })).toBe(text);
  });
  it('never moves a value by more than half a step, and is the same twice', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e9, max: 1e9 }), fc.integer({ min: 0, max: 5 }), (n, places) => {
        const value = `${n < 0 ? '-' : ''}${Math.floor(Math.abs(n) / 1000)}.${String(Math.abs(n) % 1000).padStart(3, '0')}`;
        const once = roundHalfEven({ value, places });
        expect(Math.abs(Number(once) - Number(value))).toBeLessThanOrEqual(0.5 * 10 ** -places + 1e-9);
        expect(roundHalfEven({ value: once, places })).toBe(once);
      }),
    );
  });
  it('refuses what is not finite, naming it', () => {
    expect(() => roundHalfEven({ value: NaN, places: 2 })).toThrow(RangeError);
    expect(() => roundHalfEven({ value: 1, places: -1 })).toThrow(/places/);
  });
});

describe('uncertainty as stated: two significant digits (JCGM 100:2008, 7.2.6)', () => {
  it.each([
    [1.2345, '1.2', 1],
    [0.0996, '0.10', 2],
    [12.5, '12', 0],
    [93.4, '93', 0],
    [123, '120', 0],
  ])('%d is %s', (expanded, text, places) => {
    expect(roundUncertainty({ expanded })).toEqual({ text, places });
  });
});

describe('a reading is what the display showed', () => {
  it('keeps its digits: 0.50 is not 0.5', () => {
    expect(decimalPlaces('0.50')).toBe(2);
    expect(readingNumber({ text: '0.50', unit: 'ppm', status: 'value' })!.toFixed()).toBe('0.5');
    expect(readingNumber({ text: 'over', unit: 'ppm', status: 'over' })).toBeNull();
    expect(readingNumber({ text: '6.0', upper: '7.0', unit: 'pH', status: 'interval' })!.toFixed()).toBe('6.5');
  });
  const h2s = { resolution: '0.5', lowest: '0', highest: '100', unit: 'ppm' };
  it.each([
    ['25.0', null],
    ['-1', null],
    ['149.5', null],
    ['1e3', 'notANumber'],
    // Typed where the decimal mark is a comma; one or a thousand is nobody's guess.
    ['25,0', null],
    ['1,000', 'notANumber'],
    ['25 ppm', 'notANumber'],
    // A millivolt display shows its plus.
    ['+25.0', null],
    ['+0', null],
    ['25.75', 'tooManyDigits'],
    ['25.7', 'notAStep'],
    ['151', 'farOutside'],
    [' ', 'empty'],
  ])('“%s” gives %s', (text, code) => {
    expect(checkTypedReading({ text, ...h2s })?.code ?? null).toBe(code);
  });
  it('never throws on what a person types', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[+-]?\d{0,4}[.,]?\d{0,3}$/)), (text) => {
        checkTypedReading({ text, ...h2s });
      }),
      { numRuns: 1000 },
    );
    expect(() => parseDecimal('reading', '1e3')).toThrow(RangeError);
  });
});
