import { describe, expect, it } from 'vitest';
import type { RunChannel } from '../record/event';
import { budgetOf, contextOf, targetOf } from './context.fixture';
import { inUnit, valueAt } from './liquid-value';

const liquid = (
  substance: string,
  value: string,
  unit: string,
  channel: Partial<RunChannel>,
  inputs: Record<string, string>,
  rest = {},
) =>
  contextOf({
    channel: { measurand: unit === 'pH' ? 'pH' : 'conductivity', unit, ...channel } as never,
    target: { kind: 'material', slot: 'slot', component: substance, via: channel.water ? 'compensated' : 'atTemperature' },
    material: { substance, value, unit, ...rest },
    inputs,
  });

describe('what a liquid is worth at its own temperature', () => {
  // Typical bottle labels and handbook table; memory.
  it.each([
    ['technical-7.00', '7.00', 'pH', '20', '7.020'],
    ['technical-10.01', '10.01', 'pH', '30', '9.970'],
    ['kcl-1413', '1413', 'µS/cm', '20', '1278.0'],
    ['kcl-84', '84', 'µS/cm', '15', '68.0'],
  ])('%s at %s %s °C: %s', (substance, nominal, unit, temperatureC, expected) => {
    expect(targetOf(liquid(substance, nominal, unit, {}, { temperatureC })).value).toBe(expected);
  });
  it('12.88 mS/cm on a channel in µS/cm, and units that have nothing to do with each other', () => {
    expect(targetOf(liquid('kcl-12880', '12.88', 'mS/cm', { unit: 'µS/cm' }, { temperatureC: '25' })).value).toBe('12880');
    expect(inUnit('1413', 'µS/cm', 'mS/cm')).toBe('1.413');
    expect(
      targetOf(liquid('technical-7.00', '7.00', 'pH', { unit: 'mV', measurand: 'redox potential' }, { temperatureC: '25' })),
    ).toMatchObject({ code: 'wrongUnit' });
  });
  it('the lot’s own table overrides the usual one, and says so', () => {
    const table = [
      [20, 7.01],
      [24, 6.99],
    ];
    const used = targetOf(liquid('technical-7.00', '7.00', 'pH', {}, { temperatureC: '22' }, { table }));
    expect(used).toMatchObject({ value: '7.000', sentence: expect.stringContaining('the lot’s own table') as string });
    expect(targetOf(liquid('technical-7.00', '7.00', 'pH', {}, { temperatureC: '26' }, { table }))).toMatchObject({
      code: 'outsideTable',
      field: 'temperatureC',
    });
  });
  it.each([
    [{}, 'noTemperature'],
    [{ temperatureC: 'warm' }, 'noTemperature'],
    [{ temperatureC: '55' }, 'outsideTable'],
  ])('%j is refused as %s, beside the field', (inputs, code) => {
    expect(targetOf(liquid('technical-7.00', '7.00', 'pH', {}, inputs))).toMatchObject({ code, field: 'temperatureC' });
  });
  it('a substance without any table is refused, not guessed', () => {
    expect(valueAt({ substance: 'salt-731', value: '731', unit: 'µS/cm', expanded: '1', k: 2 }, 22)).toMatchObject({
      code: 'noTable',
    });
  });
});

describe('conductivity as the meter refers it', () => {
  const referred = (percentPerC: string | undefined, temperatureC = '20') =>
    targetOf(
      liquid(
        'kcl-1413',
        '1413',
        'µS/cm',
        { water: { compensation: { referenceC: '25', ...(percentPerC ? { percentPerC } : {}) } } },
        { temperatureC },
      ),
    );
  it('1413 at 20 °C is 1278; by 1.91 %/°C a sound meter shows 1413 (handbook table, memory)', () => {
    expect(Number(referred('1.91').value)).toBeCloseTo(1413, 0);
  });
  it('by 2.2 %/°C it would show 1278 / (1 − 0.022 · 5) = 1435.96, and that is no fault of the cell', () => {
    expect(Number(referred('2.2').value)).toBeCloseTo(1435.96, 1);
  });
  it('by its own curve it shows the certified value; without compensation the value at the measured temperature counts', () => {
    expect(referred(undefined).value).toBe('1413');
    expect(targetOf(liquid('kcl-1413', '1413', 'µS/cm', { water: {} }, { temperatureC: '20' })).value).toBe('1278.0');
  });
});

describe('dissolved solids by the channel’s own rule (common practice)', () => {
  const solids = (rule: object | null, conductivity: string) =>
    targetOf(
      contextOf({
        channel: {
          measurand: 'dissolved solids',
          unit: 'ppm',
          resolution: '1',
          ...(rule ? { water: { solids: rule as { factor: string } } } : {}),
        },
        target: { kind: 'material', slot: 'slot', component: 'x', via: 'dissolvedSolids' },
        material: { substance: 'x', value: conductivity, unit: 'µS/cm', expanded: '50' },
      }),
    );
  it.each([
    [{ factor: '0.5' }, '5000', '2500.0'],
    [{ factor: '0.7' }, '5000', '3500.0'],
    [{ curve: 'mixedSalt' as const }, '731', '500.0'],
    [{ curve: 'mixedSalt' as const }, '1417', '1000.0'],
  ])('%j of %s µS/cm: %s ppm', (rule, conductivity, expected) => {
    expect(solids(rule, conductivity).value).toBe(expected);
  });
  it('a channel whose rule is not known, and a standard beyond the curve, are refused', () => {
    expect(solids(null, '1413')).toMatchObject({ code: 'noSolidsRule' });
    expect(solids({ curve: 'mixedSalt' }, '3500')).toMatchObject({ code: 'outsideTable' });
  });
});

describe('where the temperature of a liquid comes from (ISO/IEC 17025:2017, 6.4; never the instrument under calibration)', () => {
  const buffer = (inputs: Record<string, string>, withThermometer: boolean) =>
    contextOf({
      channel: { measurand: 'pH', unit: 'pH' },
      target: { kind: 'material', slot: 'slot', component: 'technical-7.00', via: 'atTemperature' },
      material: { substance: 'technical-7.00', value: '7.00', unit: 'pH' },
      inputs,
      withThermometer,
    });
  it('without a thermometer nothing is judged; with one, the instrument’s own sensor is refused', () => {
    expect(targetOf(buffer({ temperatureC: '22.0' }, false))).toMatchObject({ code: 'noThermometer' });
    expect(targetOf(buffer({ temperatureC: '22.0', temperatureFrom: 'instrument' }, true))).toMatchObject({
      code: 'thermometerBound',
    });
  });
  it('where nothing else was dipped its own sensor serves, with its tolerance in the budget', () => {
    const own = budgetOf(buffer({ temperatureC: '22.0', temperatureFrom: 'instrument' }, false));
    expect(own.find((one) => one.id === 'ownSensor')).toMatchObject({ half: 2, distribution: 'rectangular' });
    const measured = budgetOf(buffer({ temperatureC: '22.0' }, true));
    expect(measured.find((one) => one.id === 'thermometer')).toMatchObject({ expanded: 0.1, k: 2 });
    expect(measured.some((one) => one.id === 'ownSensor')).toBe(false);
  });
  it('corrections of its certificate are applied, listed, and nothing is extrapolated', () => {
    const context = buffer({ temperatureC: '22.0' }, true);
    context.state.bindings.find((one) => one.slot === 'thermometer')!.reference.components[0]!.corrections = [
      [20, -0.1],
      [24, 0.3],
    ];
    // 22.0 + (−0.1 + 0.3) / 2 = 22.1
    expect(targetOf(context)).toMatchObject({ inputs: { temperatureC: '22.10', temperatureShown: '22.0' } });
    delete context.state.bindings.find((one) => one.slot === 'thermometer')!.reference.components[0]!.corrections;
  });
});

describe('oxygen in water-saturated air', () => {
  const air = (unit: 'mg/L' | '%', inputs: Record<string, string>, room?: Record<string, string>) =>
    contextOf({
      channel: {
        measurand: unit === '%' ? 'oxygen saturation' : 'dissolved oxygen',
        unit,
        ...(unit === '%' ? { water: { saturation: 'oneAtm' } } : {}),
      },
      target: { kind: 'computed', function: 'airSaturatedOxygen' },
      inputs,
      ...(room ? { room } : {}),
    });
  it('9.092 mg/L at 20 °C and 1013.25 hPa; 89.77 % of it at 0.9 atm (Benson and Krause 1984 as in APHA 4500-O)', () => {
    expect(targetOf(air('mg/L', { temperatureC: '20', pressureHPa: '1013.25' })).value).toBe('9.092');
    expect(Number(targetOf(air('%', { temperatureC: '20', pressureHPa: '911.925' })).value)).toBeCloseTo(89.77, 1);
  });
  it('outside the known temperatures, or without a pressure, nothing is judged', () => {
    expect(targetOf(air('mg/L', { temperatureC: '45' }))).toMatchObject({ code: 'outsideTable' });
    expect(targetOf(air('mg/L', { temperatureC: '20' }, { temperatureC: '20' }))).toMatchObject({ code: 'noPressure' });
  });
  it('thermometer, barometer, sleeve, salinity and the equation itself enter its budget', () => {
    const ids = budgetOf(air('mg/L', { temperatureC: '20' })).map((one) => one.id);
    for (const id of ['thermometer', 'barometer', 'sleeve', 'salinity', 'solubility', 'gradient']) expect(ids).toContain(id);
  });
});

describe('electrodes and thermometers', () => {
  it('ion and redox: as certified, at temperature against the stated electrode', () => {
    const redox = contextOf({
      channel: { measurand: 'redox potential', unit: 'mV', resolution: '1', water: { referenceElectrode: 'Ag/AgCl, 3 M KCl' } },
      target: { kind: 'material', slot: 'slot', component: 'redox-220', via: 'atTemperature' },
      material: {
        substance: 'redox-220',
        value: '220',
        unit: 'mV',
        expanded: '5',
        table: [
          [20, 224],
          [25, 220],
        ],
      },
      inputs: { temperatureC: '22.5' },
    });
    expect(targetOf(redox)).toMatchObject({ value: '222.0', sentence: expect.stringContaining('Ag/AgCl') as string });
    // (220 − 224) / 5 mV a degree
    expect(budgetOf(redox).find((one) => one.id === 'thermometer')!.sensitivity).toBeCloseTo(-0.8, 6);
    const ion = contextOf({
      channel: { measurand: 'ion concentration', unit: 'mg/L' },
      target: { kind: 'material', slot: 'slot', component: 'fluoride-1', via: 'certified' },
      material: { substance: 'fluoride-1', value: '1.00', unit: 'mg/L' },
      inputs: { temperatureC: '22' },
    });
    expect(targetOf(ion).value).toBe('1.00');
    expect(budgetOf(ion).map((one) => one.id)).toContain('junction');
  });
  it('a temperature channel is compared with the thermometer as its certificate corrects it', () => {
    const context = contextOf({
      channel: { measurand: 'temperature', unit: '°C', resolution: '0.1' },
      target: { kind: 'comparison', slot: 'thermometer' },
      inputs: { comparison: '22.0' },
    });
    expect(targetOf(context).value).toBe('22.0');
    expect(targetOf({ ...context, inputs: {} })).toMatchObject({ code: 'noComparison' });
    expect(budgetOf(context).map((one) => one.id)).toEqual(['reference', 'resolution', 'repeatability', 'gradient']);
  });
  it('a buffer is recognised only when its bottle was scanned: no uncertainty is made up', () => {
    const recognised = (bottle: boolean, millivolts = '2.0') =>
      targetOf(
        contextOf({
          channel: { measurand: 'pH', unit: 'pH' },
          target: { kind: 'recognised', set: ['technical-4.01', 'technical-7.00'], ...(bottle ? { slot: 'slot' } : {}) },
          ...(bottle ? { material: { substance: 'technical-7.00', value: '7.00', unit: 'pH' } } : {}),
          inputs: { millivolts, temperatureC: '25' },
        }),
      );
    expect(recognised(false)).toMatchObject({ code: 'notScanned', field: 'reference' });
    expect(recognised(true)).toMatchObject({ value: '7.000', expanded: '0.02' });
    expect(recognised(true, '175')).toMatchObject({ code: 'contradictsBottle' });
    expect(recognised(true, '90')).toMatchObject({ code: 'notRecognised' });
  });
  it('the set that the meter is set to decides which buffers it names; the bottle decides between two that lie close', () => {
    const dipped = (set: string, substance: string, millivolts: string, table?: [number, number][]) =>
      targetOf(
        contextOf({
          channel: { measurand: 'pH', unit: 'pH' },
          target: { kind: 'recognised', set: ['technical-4.01'], setBy: 'buffer-set', slot: 'slot' },
          material: { substance, value: '7', unit: 'pH', ...(table ? { table } : {}) },
          inputs: { millivolts, temperatureC: '25' },
          started: { schools: { 'buffer-set': set } },
        }),
      );
    expect(dipped('din19267', 'din19267-4.65', '138')).toMatchObject({ value: '4.650' });
    expect(dipped('technical', 'din19267-4.65', '138')).toMatchObject({ code: 'notOfSet', field: 'reference' });
    // 6.865 and 7.413 are 32 mV apart, less than an offset may be.
    expect(dipped('physiological', 'phosphate', '0')).toMatchObject({ value: '6.865' });
    expect(dipped('physiological', 'phosphate-physiological', '0')).toMatchObject({ value: '7.413' });
    const table: [number, number][] = [
      [15, 6.52],
      [35, 6.48],
    ];
    expect(dipped('own', 'house buffer', '30', table)).toMatchObject({ value: '6.500' });
    expect(dipped('own', 'house buffer', '30')).toMatchObject({ code: 'ownBufferTable', field: 'reference' });
    expect(dipped('own', 'house buffer', '-170', table)).toMatchObject({ code: 'notRecognised' });
  });
  it('an indicator strip is an interval and a cross-check', () => {
    const strip = (inputs: Record<string, string>) =>
      targetOf(contextOf({ channel: { measurand: 'pH', unit: 'pH' }, target: { kind: 'strip' }, inputs }));
    expect(strip({ low: '6.5', high: '7.5' })).toMatchObject({ value: '7' });
    expect(strip({ low: 'red' })).toMatchObject({ code: 'noStrip', field: 'low' });
    expect(strip({ low: '7', high: '6' })).toMatchObject({ code: 'noStrip', field: 'high' });
  });
});
