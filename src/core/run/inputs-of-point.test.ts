import { describe, expect, it } from 'vitest';
import type { Point, Target } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { inputsOfPoint, typedInputs } from './inputs-of-point';

const point = (target: Target): Point => ({ id: 'p', label: 'P', channels: ['c'], target });
const channel = (measurand: string) => ({ measurand }) as RunChannel;
const BUFFER = point({ kind: 'material', slot: 's', component: 'technical-7.00', via: 'atTemperature' });

describe('what has to be known beside a reading', () => {
  it.each<[string, Target, string, string[]]>([
    ['a buffer', BUFFER.target, 'pH', ['millivolts', 'temperatureC']],
    ['a redox standard', BUFFER.target, 'redox potential', ['temperatureC']],
    ['a recognised buffer', { kind: 'recognised', set: [] }, 'pH', ['millivolts', 'temperatureC']],
    [
      'a conductivity standard',
      { kind: 'material', slot: 's', component: 'k', via: 'compensated' },
      'conductivity',
      ['temperatureC'],
    ],
    [
      'an ion standard',
      { kind: 'material', slot: 's', component: 'f', via: 'certified' },
      'ion concentration',
      ['millivolts', 'temperatureC'],
    ],
    ['gas from a bottle', { kind: 'material', slot: 's', component: 'CO', via: 'certified' }, 'carbon monoxide', []],
    ['air', { kind: 'computed', function: 'airSaturatedOxygen' }, 'dissolved oxygen', ['temperatureC']],
    ['clean air', { kind: 'computed', function: 'cleanAirOxygen' }, 'oxygen', []],
    ['a strip', { kind: 'strip' }, 'pH', ['low', 'high']],
    ['a thermometer', { kind: 'comparison', slot: 's' }, 'temperature', ['comparison']],
    ['something watched', { kind: 'observe', direction: 'rise' }, 'carbon monoxide', ['before']],
    ['a fixed value', { kind: 'fixed', value: '0', unit: 'ppm' }, 'carbon monoxide', []],
  ])('%s', (_what, target, measurand, names) =>
    expect(inputsOfPoint(point(target), channel(measurand)).map((one) => one.name)).toEqual(names),
  );
});

describe('what was typed beside a reading', () => {
  const typed = (given: Record<string, string>) => typedInputs(BUFFER, channel('pH'), given);
  it('is trimmed; an empty field counts as not typed; what nobody asked for stays', () => {
    expect(typed({ temperatureC: ' 22.0 ', millivolts: '  ' })).toEqual({ temperatureC: '22.0' });
    expect(typed({ temperatureC: '22', buffer: 'technical-7.00' })).toEqual({ temperatureC: '22', buffer: 'technical-7.00' });
    expect(typed({ millivolts: '-171.2' })).toEqual({ millivolts: '-171.2' });
  });
  it.each([
    ['temperatureC', 'abc', 'notANumber'],
    ['temperatureC', '22,000', 'notANumber'],
    ['millivolts', '−171', 'notANumber'],
    ['millivolts', '1e3', 'notANumber'],
    ['millivolts', '171 mV', 'notANumber'],
    ['millivolts', '2001', 'outOfReach'],
    ['millivolts', '-999999', 'outOfReach'],
    ['temperatureC', '101', 'outOfReach'],
    ['temperatureC', '-6', 'outOfReach'],
  ])('%s “%s” is refused beside its field', (field, text, code) =>
    expect(typed({ temperatureC: '22', [field]: text })).toMatchObject({ refused: true, code, field }),
  );
});
