import { describe, expect, it } from 'vitest';
import psychrolib from 'psychrolib';
import { moistAirOxygen, saturationVapourPressure } from '../gas/moist-air';
import { contextOf, budgetOf, targetOf } from './context.fixture';
import { measurandOf, MEASURANDS } from '.';
import { isMeasurand, UNITS_OF } from '../quantity/unit';

describe('oxygen that moist air holds', () => {
  it.each([
    [20, 50, 1013.25, 20.705],
    [25, 50, 1013.25, 20.619],
    [30, 80, 1013.25, 20.246],
    [23, 43, 1019, 20.698],
  ])(
    '%s °C, %s %%, %s hPa: %s %%vol (20.946·(1 − RH·es/p), WMO-No. 8)',
    (temperatureC, humidityPercent, pressureHPa, expected) => {
      expect(moistAirOxygen({ temperatureC, humidityPercent, pressureHPa })).toBeCloseTo(expected, 3);
    },
  );
  it('the vapour pressure agrees with an independent psychrometric library to 0.3 %', () => {
    psychrolib.SetUnitSystem(psychrolib.SI);
    for (const t of [5, 20, 25, 30, 40]) {
      const other = psychrolib.GetSatVapPres(t) / 100;
      expect(Math.abs(saturationVapourPressure({ temperatureC: t }) / other - 1)).toBeLessThan(0.003);
    }
  });
  it('arguments outside their range are named', () => {
    expect(() => moistAirOxygen({ temperatureC: 20, humidityPercent: 120, pressureHPa: 1000 })).toThrow(/humidityPercent/);
    expect(() => moistAirOxygen({ temperatureC: 20, humidityPercent: 50, pressureHPa: 100 })).toThrow(/pressureHPa/);
  });
});

const air = (school?: string, room?: Record<string, string> | null, origin: 'guided' | 'imported' = 'guided') =>
  contextOf({
    channel: { measurand: 'oxygen', unit: '%vol', resolution: '0.1', cleanAir: '20.9' },
    target: { kind: 'computed', function: 'cleanAirOxygen' },
    ...(room === undefined ? { room: { temperatureC: '25', humidityPercent: '50', pressureHPa: '1013.25' } } : { room }),
    started: { origin, ...(school ? { schools: { 'clean-air': school } } : {}) },
  });

describe('clean-air oxygen, two schools', () => {
  it('by convention the maker’s 20.9 stays, and the moisture of the air is a bound in the budget', () => {
    expect(targetOf(air())).toMatchObject({ value: '20.9', air: 'clean' });
    // 20.9 − 20.619
    expect(budgetOf(air()).find((one) => one.id === 'humidity')).toMatchObject({ distribution: 'rectangular' });
    expect(budgetOf(air()).find((one) => one.id === 'humidity')!.half).toBeCloseTo(0.281, 3);
  });
  it('corrected, the reference is what moist air holds, with hygrometer, thermometer and barometer in the budget', () => {
    expect(targetOf(air('corrected')).value).toBe('20.619');
    const ids = budgetOf(air('corrected')).map((one) => one.id);
    for (const id of ['humidity', 'airTemperature', 'barometer']) expect(ids).toContain(id);
    expect(budgetOf(air('corrected')).find((one) => one.id === 'humidity')!.expanded).toBe(2.5);
  });
  it('without conditions nothing is judged; of a station’s log the bound is wide', () => {
    expect(targetOf(air(undefined, null))).toMatchObject({ code: 'noConditions' });
    expect(budgetOf(air(undefined, null, 'imported')).find((one) => one.id === 'humidity')!.half).toBeCloseTo(0.65, 6);
  });
  it('a model without a clean-air value is refused', () => {
    const context = air();
    delete context.channel.cleanAir;
    expect(targetOf(context)).toMatchObject({ code: 'noCleanAirValue' });
  });
});

const material = (
  channel: Parameters<typeof contextOf>[0]['channel'],
  substance: string,
  value: string,
  unit: string,
  via: 'lelScale' | 'certified' | 'atPressure',
  rest = {},
) =>
  contextOf({
    channel: { calibrationGas: substance, ...channel },
    target: { kind: 'material', slot: 'slot', component: 'channelGas', via },
    material: { substance, value, unit },
    kind: 'gas',
    ...rest,
  });

describe('combustible scales', () => {
  const scale = (relativeResponse: string) => ({ lelVolPercent: '5.0', relativeResponse, source: 'NFPA 497' });
  it('1.45 %vol methane is 58 %LEL on a pentane scale, 29 on a methane scale (common practice; LEL by NFPA 497)', () => {
    const on = (measurand: 'methane' | 'pentane', response: string) =>
      targetOf(material({ measurand, unit: '%LEL', resolution: '1', scale: scale(response) }, 'CH4', '1.45', '%vol', 'lelScale'))
        .value;
    expect(on('pentane', '2')).toBe('58');
    expect(on('methane', '1')).toBe('29');
  });
  it('the scale is named by the gas it is spanned with and the gas it is named after', () => {
    const [fact] = measurandOf('pentane').describe!({
      ...material({ measurand: 'pentane', unit: '%LEL', scale: scale('2') }, 'CH4', '1.45', '%vol', 'lelScale').channel,
    });
    expect(fact).toMatchObject({
      code: 'describe.otherScale',
      numbers: { named: 'pentane', gas: 'methane', lel: '5.0', shown: '40' },
    });
    const own = measurandOf('methane').describe!({
      ...material({ measurand: 'methane', unit: '%LEL', scale: scale('1') }, 'CH4', '2.5', '%vol', 'lelScale').channel,
    });
    expect(own[0]!.code).toBe('describe.scale');
  });
  it('without a scale, or a gas that the bottle lacks, nothing is judged', () => {
    expect(targetOf(material({ measurand: 'methane', unit: '%LEL' }, 'CH4', '2.5', '%vol', 'lelScale'))).toMatchObject({
      code: 'noScale',
    });
    expect(
      targetOf(material({ measurand: 'methane', unit: '%LEL', calibrationGas: 'C3H8' }, 'CH4', '2.5', '%vol', 'lelScale')),
    ).toMatchObject({ code: 'missingComponent' });
    expect(
      targetOf(material({ measurand: 'methane', unit: '%LEL', scale: scale('1') }, 'CH4', '50', '%LEL', 'certified')).value,
    ).toBe('50');
  });
});

describe('breath gas at the pressure of the place', () => {
  const tester = (pressureHPa: string) =>
    material(
      { measurand: 'ethanol', unit: 'g/210 L', resolution: '0.001', tolerance: { absolute: '0.005' } },
      'C2H5OH',
      '0.038',
      'g/210 L',
      'atPressure',
      {
        room: { temperatureC: '22', humidityPercent: '40', pressureHPa },
      },
    );
  it('value and uncertainty of the bottle fall alike; its rounding and the barometer are in the budget', () => {
    const target = targetOf(tester('975'));
    // 0.038 · 975 / 1013.25 = 0.03657, in steps of 0.001
    expect(target).toMatchObject({ value: '0.037', rounded: '0.001' });
    expect(Number(target.expanded)).toBeCloseTo((0.02 * 975) / 1013.25, 4);
    const budget = budgetOf(tester('975'));
    expect(budget.find((one) => one.id === 'targetRounding')!.half).toBe(0.0005);
    expect(budget.find((one) => one.id === 'barometer')!.sensitivity).toBeCloseTo(0.037 / 975, 8);
  });
  it('without a pressure nothing is expected', () => {
    expect(targetOf({ ...tester('975'), state: { ...tester('975').state, conditions: [] } })).toMatchObject({
      code: 'noPressure',
    });
  });
});

describe('what every budget of a gas has', () => {
  const span = (rest = {}) =>
    material({ measurand: 'hydrogen sulphide', unit: 'ppm', resolution: '0.5', ...rest }, 'H2S', '25.0', 'ppm', 'certified');
  it('bottle, its stability, resolution, repeatability, flow; the sensor’s own figures where the model has them', () => {
    expect(budgetOf(span()).map((one) => one.id)).toEqual([
      'reference',
      'referenceStability',
      'resolution',
      'repeatability',
      'flow',
    ]);
    const known = budgetOf(span({ coefficients: { temperaturePercentPerC: '0.5', pressurePercentPerHPa: '0.1' } })).map(
      (one) => one.id,
    );
    expect(known).toEqual(expect.arrayContaining(['sensorTemperature', 'sensorPressure']));
  });
  it('a certificate that vouches for the shelf life leaves no stability open', () => {
    const context = span();
    context.state.bindings[0]!.reference.stabilityIncluded = true;
    expect(budgetOf(context).some((one) => one.id === 'referenceStability')).toBe(false);
  });
  it('what was captured enters: the spread as U, the samples by their worth, what was still to come as a bound', () => {
    const capture = { line: 'l', spread: '1.0', windowSeconds: 15, settling: '0.2' };
    const plain = budgetOf(span(), capture);
    expect(plain.find((one) => one.id === 'unrest')).toMatchObject({ expanded: 0.5, k: 2 });
    expect(plain.find((one) => one.id === 'settling')).toMatchObject({ half: 0.2 });
    const sampled = budgetOf(span(), { ...capture, samples: { n: 60, s: 0.4, correlation: 0.5, worth: 20 } });
    expect(sampled.find((one) => one.id === 'unrest')).toMatchObject({ kind: 'A', s: 0.4, dof: 19 });
  });
  it('a zero has what clean air or the filter still holds, in the channel’s own unit', () => {
    const zero = (channel: Parameters<typeof contextOf>[0]['channel']) =>
      contextOf({ channel, target: { kind: 'fixed', value: '0', unit: 'channel' } });
    const left = (channel: Parameters<typeof contextOf>[0]['channel']) =>
      budgetOf(zero(channel)).find((one) => one.id === 'zeroGas')?.half;
    expect(left({ measurand: 'carbon monoxide', unit: 'ppm' })).toBe(0.5);
    // 2 ppm methane = 0.0002 %vol = 0.004 %LEL of 5 %vol
    expect(
      left({ measurand: 'methane', unit: '%LEL', scale: { lelVolPercent: '5.0', relativeResponse: '1', source: '' } }),
    ).toBeCloseTo(0.004, 9);
    const filtered = zero({ measurand: 'carbon dioxide', unit: 'ppm' });
    expect(budgetOf(filtered).find((one) => one.id === 'zeroGas')!.half).toBe(450);
    filtered.state.bindings.push({
      ...filtered.state.bindings[0]!,
      slot: 'scrubber',
      seq: 77,
      reference: { ...filtered.state.bindings[0]!.reference, role: 'scrubber' },
    });
    filtered.state.stimuli.push({
      slot: 'scrubber',
      means: 'scrubber',
      onAt: '',
      offAt: null,
      binding: 77,
      onSeq: 1,
      offSeq: null,
      litres: null,
    });
    expect(budgetOf(filtered).find((one) => one.id === 'zeroGas')!.half).toBe(10);
  });
  it('the workshop’s own value for a point comes before its value for the procedure, that before the measurand’s', () => {
    const own = (procedure: string | undefined, point: string | undefined, value: number) => ({
      id: 'flow' as const,
      measurand: 'hydrogen sulphide',
      value,
      form: 'percent' as const,
      source: { kind: 'confirmed' as const, text: 'study 7', on: '2026-01-01', by: 'Sam' },
      ...(procedure ? { procedure } : {}),
      ...(point ? { point } : {}),
    });
    const half = (standing: ReturnType<typeof own>[]) => {
      const context = span();
      context.state.started!.standing = standing;
      return budgetOf(context).find((one) => one.id === 'flow')!.half;
    };
    expect(half([])).toBeCloseTo(0.25, 9);
    expect(
      half([own(undefined, undefined, 2), own('p', undefined, 3), own('p', 'point', 4), own('other', undefined, 9)]),
    ).toBeCloseTo(1, 9);
    expect(half([own(undefined, undefined, 2), own('p', undefined, 3)])).toBeCloseTo(0.75, 9);
  });
  it('a study feeds the repeatability with its degrees of freedom; what is only remembered says so', () => {
    const context = span();
    context.state.started!.standing = [
      {
        id: 'repeatability',
        measurand: 'hydrogen sulphide',
        value: 0.3,
        form: 'absolute',
        unit: 'ppm',
        source: { kind: 'study', text: 'study', on: '2026-01-01', by: 'T', n: 15, dof: 12 },
      },
    ];
    expect(budgetOf(context).find((one) => one.id === 'repeatability')).toMatchObject({ kind: 'A', s: 0.3, n: 1, dof: 12 });
    expect(budgetOf(context).find((one) => one.id === 'referenceStability')!.unconfirmed).toMatchObject({
      standing: 'stability',
      value: 2,
    });
  });
});

describe('the index of measurands', () => {
  it('knows its own and no other', () => {
    expect(isMeasurand('oxygen')).toBe(true);
    expect(isMeasurand('toString')).toBe(false);
    expect(() => measurandOf('phlogiston')).toThrow(/measurand must be one of/);
  });
  it('every measurand refuses a target that is not its own, with a sentence', () => {
    for (const id of Object.keys(MEASURANDS) as (keyof typeof MEASURANDS)[]) {
      const held = measurandOf(id);
      const context = contextOf({
        channel: { measurand: id, unit: UNITS_OF[id][0] },
        target: { kind: 'strip' },
        inputs: { low: '6', high: '7' },
      });
      const target = held.target(context);
      if (id !== 'pH') expect(target).toMatchObject({ code: 'noTarget' });
      expect(held.inputs({ ...context.point, target: { kind: 'fixed', value: '0', unit: 'channel' } }, context.channel)).toEqual(
        [],
      );
    }
  });
});
