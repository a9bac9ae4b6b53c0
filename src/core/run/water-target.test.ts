import { describe, expect, it } from 'vitest';
import type { RunChannel } from './event';
import { isRefusal } from './refusal';
import type { MaterialComponent } from './reference-snapshot';
import { airSaturated, atTemperature, compensated, inUnit, solids, valueAt } from './water-target';
import { checkMillivolts } from './check-millivolts';

const channel = (unit: string, rest: Partial<RunChannel> = {}): RunChannel => ({
  id: 'c',
  role: 'x',
  item: 'body',
  label: 'Channel',
  measurand: unit === 'pH' ? 'pH' : 'conductivity',
  unit,
  resolution: unit === 'pH' ? '0.01' : '1',
  lowest: '0',
  highest: '20000',
  tolerance: { absolute: '1' },
  status: 'fitted',
  ...rest,
});
const component = (substance: string, value: string, unit: string, rest: Partial<MaterialComponent> = {}): MaterialComponent => ({
  substance,
  value,
  unit,
  expanded: '0.02',
  k: 2,
  ...rest,
});
const value = (used: object) => (isRefusal(used) ? used.code : (used as { value: string }).value);

describe('what a liquid is worth at its own temperature', () => {
  // Typical bottle labels and handbook table; memory.
  it.each([
    ['technical-7.00', '7.00', 'pH', '20', '7.020'],
    ['technical-10.01', '10.01', 'pH', '30', '9.970'],
    ['kcl-1413', '1413', 'µS/cm', '20', '1278.0'],
    ['kcl-84', '84', 'µS/cm', '15', '68.0'],
  ])('%s at %s %s °C: %s', (substance, nominal, unit, temperatureC, expected) => {
    expect(value(atTemperature(component(substance, nominal, unit), channel(unit), { temperatureC }))).toBe(expected);
  });
  it('12.88 mS/cm on a channel in µS/cm, and the other way round', () => {
    expect(value(atTemperature(component('kcl-12880', '12.88', 'mS/cm'), channel('µS/cm'), { temperatureC: '25' }))).toBe(
      '12880',
    );
    expect(inUnit('1413', 'µS/cm', 'mS/cm')).toBe('1.413');
    expect(inUnit('7', 'pH', 'mV')).toBeNull();
  });
  it('the lot’s own table overrides the usual one, and says so', () => {
    const own = component('technical-7.00', '7.00', 'pH', {
      table: [
        [20, 7.01],
        [24, 6.99],
      ],
    });
    const used = atTemperature(own, channel('pH'), { temperatureC: '22' });
    expect(used).toMatchObject({ value: '7.000', sentence: expect.stringContaining('the lot’s own table') as string });
    expect(valueAt(own, 26)).toMatchObject({ code: 'outsideTable', field: 'temperatureC' });
  });
  it.each([
    [{}, 'noTemperature'],
    [{ temperatureC: 'warm' }, 'noTemperature'],
    [{ temperatureC: '55' }, 'outsideTable'],
  ])('%j is refused as %s, beside the field', (inputs, code) => {
    expect(atTemperature(component('technical-7.00', '7.00', 'pH'), channel('pH'), inputs)).toMatchObject({
      code,
      field: 'temperatureC',
    });
  });
  it('a substance without any table is refused, not guessed', () => {
    expect(valueAt(component('salt-731', '731', 'µS/cm'), 22)).toMatchObject({ code: 'noTable' });
  });
});

describe('conductivity as the meter refers it', () => {
  const linear = channel('µS/cm', { water: { compensation: { referenceC: '25', percentPerC: '1.91' } } });
  it('1413 at 20 °C is 1278; by 1.91 %/°C a sound meter shows 1413 (handbook table, memory)', () => {
    expect(Number(value(compensated(component('kcl-1413', '1413', 'µS/cm'), linear, { temperatureC: '20' })))).toBeCloseTo(
      1413,
      0,
    );
  });
  it('by 2.2 %/°C it would show 1436, and that is no fault of the cell', () => {
    const steep = channel('µS/cm', { water: { compensation: { referenceC: '25', percentPerC: '2.2' } } });
    // 1278 / (1 − 0.022 · 5) = 1435.96
    expect(Number(value(compensated(component('kcl-1413', '1413', 'µS/cm'), steep, { temperatureC: '20' })))).toBeCloseTo(
      1435.96,
      1,
    );
  });
  it('without compensation the value at the measured temperature counts', () => {
    expect(value(compensated(component('kcl-1413', '1413', 'µS/cm'), channel('µS/cm'), { temperatureC: '20' }))).toBe('1278.0');
  });
});

describe('dissolved solids by the channel’s own rule (common practice)', () => {
  it.each([
    [{ factor: '0.5' }, '5000', '2500.0'],
    [{ factor: '0.7' }, '5000', '3500.0'],
    [{ curve: 'mixedSalt' as const }, '731', '500.0'],
    [{ curve: 'mixedSalt' as const }, '1417', '1000.0'],
  ])('%j of %s µS/cm: %s ppm', (rule, conductivity, expected) => {
    const tds = channel('ppm', { water: { solids: rule } });
    expect(value(solids(component('x', conductivity, 'µS/cm', { expanded: '50' }), tds, {}))).toBe(expected);
  });
  it('a channel whose rule is not known is refused', () => {
    expect(value(solids(component('x', '1413', 'µS/cm'), channel('ppm'), {}))).toBe('noSolidsRule');
  });
});

describe('oxygen in water-saturated air', () => {
  const air = (unit: string, pressure: string | undefined, saturation?: 'local' | 'oneAtm') =>
    airSaturated(
      channel(unit, { resolution: unit === '%' ? '0.1' : '0.01', ...(saturation ? { water: { saturation } } : {}) }),
      pressure,
      { temperatureC: '20' },
    );
  // Benson & Krause 1984 as in APHA 4500-O: 9.092 mg/L at 20 °C and 1013.25 hPa, 8.162 at 0.9 atm.
  it('mg/L at 1 atm and at 0.9 atm', () => {
    expect(Number(value(air('mg/L', '1013.25')))).toBeCloseTo(9.092, 2);
    expect(Number(value(air('mg/L', '911.925')))).toBeCloseTo(8.162, 2);
  });
  it('at 1500 m: 100 % of local saturation and about 83 % at 1 atm (ISO 2533 pressure; common practice)', () => {
    expect(value(air('%', '845.56', 'local'))).toBe('100.00');
    expect(Number(value(air('%', '845.56', 'oneAtm')))).toBeCloseTo(83.1, 1);
  });
  it('without a pressure, or with an impossible one, it is refused beside the field', () => {
    expect(air('mg/L', undefined)).toMatchObject({ code: 'noPressure', field: 'pressureHPa' });
    expect(air('mg/L', '300')).toMatchObject({ code: 'noPressure' });
  });
});

describe('millivolts that contradict the bottle', () => {
  const at = (millivolts: string, buffer: string, pH: number) =>
    checkMillivolts({ millivolts, temperatureC: 25, buffer, pH })?.code ?? null;
  it.each([
    ['172', 'technical-4.01', 4.01, null],
    ['-172', 'technical-4.01', 4.01, 'wrongSign'],
    ['170', 'technical-10.01', 10.01, 'wrongSign'],
    ['2', 'technical-4.01', 4.01, 'contradictsBottle'],
    ['3', 'technical-7.00', 7, null],
    ['174', 'technical-7.00', 7, 'contradictsBottle'],
    ['1e3', 'technical-7.00', 7, 'notANumber'],
    ['5000', 'technical-7.00', 7, 'notANumber'],
  ])('%s mV in %s: %s', (millivolts, buffer, pH, code) => {
    expect(at(millivolts, buffer, pH)).toBe(code);
  });
});
