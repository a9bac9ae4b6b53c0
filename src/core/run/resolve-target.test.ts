import { describe, expect, it } from 'vitest';
import { family03 } from '@/procedures/family-03-digital-ph-meter';
import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import { fourGasChannels, mix, openFourGas, prepare } from './four-gas.fixture';
import type { RunChannel } from './event';
import { isRefusal } from './refusal';
import { resolveTarget } from './resolve-target';
import { emptyState } from './state';
import type { Point } from '../procedure/procedure';

const span = family04.points.find((point) => point.id === 'span')!;
const channel = (role: string, change: Partial<RunChannel> = {}): RunChannel => ({
  ...fourGasChannels.find((one) => one.role === role)!,
  ...change,
});
const state = prepare(openFourGas()).state;
const at = (point: Point, one: RunChannel, inputs: Record<string, string> = {}, bound = state) =>
  resolveTarget({ point, channel: one, state: bound, inputs, procedure: family04 });
const point = (target: Point['target']): Point => ({ id: 'p', label: 'Point', channels: ['x'], target });

describe('what a reading is compared with', () => {
  it('the certified value of the bottle that is bound, with its uncertainty and where it came from', () => {
    expect(at(span, channel('h2s'))).toMatchObject({
      value: '25.0',
      unit: 'ppm',
      expanded: '0.5',
      k: 2,
      binding: state.bindings[0]!.seq,
    });
  });
  it.each([
    ['5.0', '1', '50', '1'],
    ['4.4', '1', '56.8182', '1.13636'],
    ['5.0', '2', '100', '2'],
  ])(
    '2.50 %%vol methane on a scale with LEL %s and response %s is %s %%LEL (NFPA 497; IEC 60079-20-1, memory; common practice)',
    (lelVolPercent, relativeResponse, value, expanded) => {
      expect(at(span, channel('ex', { scale: { lelVolPercent, relativeResponse, source: 'stated' } }))).toMatchObject({
        value,
        unit: '%LEL',
        expanded,
      });
    },
  );
  it('refuses a scale that is not known, a unit that differs, a gas that is not in the bottle, and no bottle at all', () => {
    const unscaled = channel('ex');
    delete unscaled.scale;
    expect(at(span, unscaled)).toMatchObject({ refused: true, code: 'noScale' });
    expect(at(span, channel('co', { unit: 'mg/m³' }))).toMatchObject({ code: 'wrongUnit' });
    expect(at(span, channel('co', { calibrationGas: 'NH3' }))).toMatchObject({ code: 'missingComponent', field: 'reference' });
    expect(at(span, channel('co'), {}, emptyState('r'))).toMatchObject({ code: 'noReference' });
  });
  it('clean air is a property of the model: 20.9 or 20.8 %vol (common practice)', () => {
    const air = point({ kind: 'computed', function: 'cleanAirOxygen' });
    expect(at(air, channel('o2'))).toMatchObject({ value: '20.9' });
    expect(at(air, channel('o2', { cleanAir: '20.8' }))).toMatchObject({ value: '20.8' });
    const without = channel('o2');
    delete without.cleanAir;
    expect(at(air, without)).toMatchObject({ code: 'noCleanAirValue' });
  });
  it('observed points have no target; a fixed one is what it says', () => {
    expect(at(point({ kind: 'observe', direction: 'rise' }), channel('co'))).toBeNull();
    expect(at(point({ kind: 'fixed', value: '0', unit: 'ppm' }), channel('co'))).toMatchObject({ value: '0', expanded: null });
  });
  it('dry gas falls with the recorded pressure: 0.038 is 0.037 at 981.2 hPa (common practice, label table); without a pressure it is asked for', () => {
    const dry = {
      ...mix,
      id: 'dry',
      components: [{ substance: 'EtOH', value: '0.038', unit: 'g/210 L', expanded: '0.001', k: 2 }],
    };
    const bound = { ...state, bindings: [{ ...state.bindings[0]!, reference: dry }] };
    const breath = channel('co', { calibrationGas: 'EtOH', unit: 'g/210 L', resolution: '0.001' });
    const via = point({ kind: 'material', slot: 'mix', component: 'channelGas', via: 'atPressure' });
    expect(at(via, breath, { pressureHPa: '981.2' }, bound)).toMatchObject({ value: '0.037' });
    expect(at(via, breath, {}, { ...bound, conditions: [] })).toMatchObject({ code: 'noPressure', field: 'pressureHPa' });
  });
});

describe('points that are not known beforehand', () => {
  const recognised = family03.points.find((one) => one.target.kind === 'recognised')!;
  const ph: RunChannel = { ...channel('co'), role: 'ph', unit: 'pH', resolution: '0.01' };
  const recognise = (inputs: Record<string, string>) =>
    resolveTarget({ point: recognised, channel: ph, state: emptyState('r'), inputs, procedure: family03 });
  it('the buffer is recognised from millivolts and temperature, and its value taken at that temperature', () => {
    const found = recognise({ millivolts: '0', temperatureC: '25' });
    expect(isRefusal(found)).toBe(false);
    expect(Number((found as { value: string }).value)).toBeCloseTo(7, 1);
  });
  it.each([
    [{ temperatureC: '25' }, 'noMillivolts', 'millivolts'],
    [{ millivolts: '0', temperatureC: '70' }, 'outsideTable', 'temperatureC'],
    [{ millivolts: '0' }, 'noTemperature', 'temperatureC'],
    [{ millivolts: '90', temperatureC: '25' }, 'notRecognised', 'millivolts'],
  ])('%j is refused as %s, beside its field', (inputs, code, field) => {
    expect(recognise(inputs as Record<string, string>)).toMatchObject({ refused: true, code, field });
  });
});
