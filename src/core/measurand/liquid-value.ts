import { kclStandard, type KclStandard } from '../conductivity/kcl-standard';
import { BUFFER_IDS, bufferRange, bufferValue, type BufferId } from '../ph/buffer-value';
import { Dec } from '../quantity/decimal';
import { interpolateTable } from '../quantity/interpolate-table';
import type { TargetUsed } from '../record/event';
import { refuse, type Refusal } from '../words/refusal';
import type { MaterialComponent } from '../record/reference-snapshot';
import { say, type Fact } from '../words/say';
import { liquidTemperature } from './liquid-temperature';
import type { TargetContext } from './measurand';
import { from, materialOf, wrongUnit } from './plain-target';

export const KCL: Record<string, KclStandard> = { 'kcl-84': '84', 'kcl-1413': '1413', 'kcl-12880': '12880' };
const PER_MS = 1000;

export interface ValueAt {
  value: number;
  table: Fact;
  places: number;
}

/** Value of a buffer or standard at a temperature, with the table it is computed from: the lot's own before the usual one. */
export function valueAt(component: MaterialComponent, temperatureC: number): ValueAt | Refusal {
  const outside = (lowest: number, highest: number) =>
    refuse(
      'outsideTable',
      say({
        code: 'refused.outsideTable',
        numbers: { temperature: temperatureC, substance: component.substance, lowest, highest },
      }),
      { field: 'temperatureC' },
    );
  if (component.table?.length) {
    const [low, high] = [component.table[0]![0], component.table.at(-1)![0]];
    if (temperatureC < low || temperatureC > high) return outside(low, high);
    return {
      value: interpolateTable({ table: component.table, name: 'temperatureC', at: temperatureC }),
      table: { code: 'table.lot' },
      places: component.unit === 'pH' ? 3 : 1,
    };
  }
  if ((BUFFER_IDS as string[]).includes(component.substance)) {
    const buffer = component.substance as BufferId;
    const [low, high] = bufferRange(buffer);
    if (temperatureC < low || temperatureC > high) return outside(low, high);
    return { value: bufferValue({ buffer, temperatureC }), table: { code: 'table.buffer' }, places: 3 };
  }
  const standard = KCL[component.substance];
  if (!standard) return refuse('noTable', say({ code: 'refused.noTable', numbers: { substance: component.substance } }));
  const low = standard === '84' ? 10 : 0;
  if (temperatureC < low || temperatureC > 30) return outside(low, 30);
  const micro = kclStandard({ standard, temperatureC });
  return component.unit === 'mS/cm'
    ? { value: micro / PER_MS, table: { code: 'table.kcl' }, places: 4 }
    : { value: micro, table: { code: 'table.kcl' }, places: 1 };
}

/** A buffer or standard at the measured temperature. */
export function atTemperature(context: TargetContext): TargetUsed | Refusal {
  const found = materialOf(context);
  if ('refused' in found) return found;
  const { binding, component } = found;
  const { channel } = context;
  const temperature = liquidTemperature(context);
  if ('refused' in temperature) return temperature;
  const there = valueAt(component, temperature.value);
  if ('refused' in there) return there;
  const value = inUnit(figure(there, context), component.unit, channel.unit);
  if (value === null) return wrongUnit(component, context);
  const electrode = channel.water?.referenceElectrode;
  return from(binding, {
    value,
    unit: channel.unit,
    expanded: inUnit(component.expanded, component.unit, channel.unit),
    k: component.k,
    inputs: temperature.inputs,
    sentence: say({
      code: electrode ? 'target.atTemperatureAgainst' : 'target.atTemperature',
      numbers: {
        substance: component.substance,
        temperature: temperature.inputs.temperatureC!,
        value,
        unit: channel.unit,
        table: say(there.table),
        ...(electrode ? { electrode } : {}),
      },
    }),
  });
}

/** Rounded as it is stated; left as it is where a slope is taken of it. */
export const figure = ({ value, places }: { value: number; places: number }, { inputs }: TargetContext): string =>
  inputs.unrounded ? new Dec(value).toFixed() : value.toFixed(places);

/** The same figure in another unit of conductivity, with no digit made up; null where the units don't fit. */
export function inUnit(value: string, from: string, to: string): string | null {
  if (from === to) return value;
  if (from === 'µS/cm' && to === 'mS/cm') return new Dec(value).div(PER_MS).toFixed();
  if (from === 'mS/cm' && to === 'µS/cm') return new Dec(value).times(PER_MS).toFixed();
  return null;
}
