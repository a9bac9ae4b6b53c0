import { Dec } from '../quantity/decimal';
import { dryGasTarget } from '../gas/dry-gas-target';
import type { BufferId } from '../ph/buffer-value';
import { recogniseBuffer } from '../ph/recognise-buffer';
import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel, TargetUsed } from './event';
import { refuse, type Refusal } from './refusal';
import type { MaterialComponent } from './reference-snapshot';
import { boundReference, type RunState } from './state';
import { airSaturated, atTemperature, compensated, solids, temperatureOf } from './water-target';

/**
 * What a reading at this point is compared with, as it stands now: the certified value of THIS bottle, the buffer's value at the measured temperature.
 * Returns null for a point that is only observed, a refusal where the reference does not serve the channel.
 */
export function resolveTarget({
  point,
  channel,
  state,
  inputs,
  procedure,
}: {
  point: Point;
  channel: RunChannel;
  state: RunState;
  inputs: Record<string, string>;
  procedure: Procedure;
}): TargetUsed | null | Refusal {
  const plain = { expanded: null, k: 2, inputs, binding: null };
  const target = point.target;
  switch (target.kind) {
    case 'fixed':
      return { ...plain, value: target.value, unit: channel.unit, sentence: `${point.label}: ${target.value} ${channel.unit}` };
    case 'observe':
      return null;
    case 'strip':
      return strip(inputs, channel);
    case 'computed':
      if (target.function === 'airSaturatedOxygen') return airSaturated(channel, pressureOf(state, inputs), inputs);
      return channel.cleanAir
        ? {
            ...plain,
            value: channel.cleanAir,
            unit: channel.unit,
            sentence: `clean air, ${channel.cleanAir} ${channel.unit} for this model`,
          }
        : refuse('noCleanAirValue', `This model has no clean-air value for ${channel.label}.`);
    case 'recognised':
      return recognised(target, inputs, channel, state);
    case 'comparison': {
      const binding = boundReference(state, target.slot);
      if (!binding) return refuse('noReference', `Choose the ${slotLabel(procedure, target.slot)} first.`);
      if (!inputs.comparison) return refuse('noComparison', 'Type what the reference shows.', { field: 'comparison' });
      const component = binding.reference.components[0];
      return {
        value: inputs.comparison,
        unit: channel.unit,
        expanded: component?.expanded ?? null,
        k: component?.k ?? 2,
        inputs,
        binding: binding.seq,
        sentence: `${binding.reference.name} shows ${inputs.comparison} ${channel.unit}`,
      };
    }
    case 'material': {
      const binding = boundReference(state, target.slot);
      if (!binding) return refuse('noReference', `Choose the ${slotLabel(procedure, target.slot)} first.`);
      const substance = target.component === 'channelGas' ? channel.calibrationGas : target.component;
      const component = binding.reference.components.find((candidate) => candidate.substance === substance);
      if (!component)
        return refuse(
          'missingComponent',
          `${binding.reference.name} (lot ${binding.reference.lot}) has no ${substance ?? 'gas'} for ${channel.label}.`,
          { field: 'reference' },
        );
      const used = viaMaterial(target.via, component, channel, state, inputs);
      return 'refused' in used
        ? used
        : {
            ...used,
            binding: binding.seq,
            sentence: `${binding.reference.name}, lot ${binding.reference.lot}: ${used.sentence}`,
          };
    }
  }
}

function slotLabel(procedure: Procedure, slot: string): string {
  return procedure.slots.find((candidate) => candidate.id === slot)?.label ?? slot;
}

type Used = Omit<TargetUsed, 'binding'>;

function viaMaterial(
  via: Extract<Point['target'], { kind: 'material' }>['via'],
  component: MaterialComponent,
  channel: RunChannel,
  state: RunState,
  inputs: Record<string, string>,
): Used | Refusal {
  const certified = `${component.substance} ${component.value} ${component.unit} ± ${component.expanded} (k = ${component.k})`;
  if (via === 'atPressure') return atPressure(component, channel, state, inputs, certified);
  if (via === 'atTemperature') return atTemperature(component, channel, inputs);
  if (via === 'compensated') return compensated(component, channel, inputs);
  if (via === 'dissolvedSolids') return solids(component, channel, inputs);
  if (channel.unit === '%LEL' && component.unit === '%vol') return onLelScale(component, channel, inputs, certified);
  if (component.unit !== channel.unit)
    return refuse(
      'wrongUnit',
      `The bottle states ${component.substance} in ${component.unit}, the channel ${channel.label} shows ${channel.unit}.`,
    );
  return {
    value: component.value,
    unit: component.unit,
    expanded: component.expanded,
    k: component.k,
    inputs,
    sentence: certified,
  };
}

function onLelScale(
  component: MaterialComponent,
  channel: RunChannel,
  inputs: Record<string, string>,
  certified: string,
): Used | Refusal {
  if (!channel.scale)
    return refuse('noScale', `The combustible scale (LEL and relative response) of ${channel.label} is not known.`);
  const factor = new Dec(100).div(channel.scale.lelVolPercent).times(channel.scale.relativeResponse);
  const scale = `LEL ${channel.scale.lelVolPercent} %vol (${channel.scale.source}), relative response ${channel.scale.relativeResponse}`;
  return {
    value: factor.times(component.value).toSignificantDigits(6).toFixed(),
    unit: '%LEL',
    expanded: factor.times(component.expanded).toSignificantDigits(6).toFixed(),
    k: component.k,
    inputs: { ...inputs, certified: component.value, ...channel.scale },
    sentence: `${certified} is ${factor.times(component.value).toSignificantDigits(4).toFixed()} %LEL at ${scale}`,
  };
}

function pressureOf(state: RunState, inputs: Record<string, string>): string | undefined {
  return inputs.pressureHPa ?? state.conditions.filter((condition) => condition.pressureHPa).at(-1)?.pressureHPa;
}

function atPressure(
  component: MaterialComponent,
  channel: RunChannel,
  state: RunState,
  inputs: Record<string, string>,
  certified: string,
): Used | Refusal {
  const pressure = pressureOf(state, inputs);
  if (!pressure)
    return refuse('noPressure', 'The expected value falls with the air pressure: record the pressure first.', {
      field: 'pressureHPa',
    });
  const value = dryGasTarget({ nominal: component.value, pressureHPa: Number(pressure), resolution: channel.resolution });
  return {
    value,
    unit: channel.unit,
    expanded: component.expanded,
    k: component.k,
    inputs: { ...inputs, pressureHPa: pressure, nominal: component.value },
    sentence: `${certified} is ${value} at ${pressure} hPa`,
  };
}

/** A buffer that the electrode names by its millivolts. With a bottle scanned, both have to say the same. */
function recognised(
  target: Extract<Point['target'], { kind: 'recognised' }>,
  inputs: Record<string, string>,
  channel: RunChannel,
  state: RunState,
): TargetUsed | Refusal {
  const binding = target.slot ? boundReference(state, target.slot) : null;
  const millivolts = Number(inputs.millivolts ?? NaN);
  const temperatureC = temperatureOf(inputs);
  if (!Number.isFinite(millivolts))
    return refuse('noMillivolts', 'Type the millivolts that the meter shows.', { field: 'millivolts' });
  if (typeof temperatureC !== 'number') return temperatureC;
  if (!(temperatureC >= 5 && temperatureC <= 50))
    return refuse('outsideTable', 'The buffers have values from 5 to 50 °C.', { field: 'temperatureC' });
  const scanned = binding?.reference.components[0];
  const found = recogniseBuffer({
    millivolts,
    temperatureC,
    set: target.set,
    ...(scanned?.table ? { lotTables: { [scanned.substance as BufferId]: scanned.table } } : {}),
  });
  if (!found)
    return refuse(
      'notRecognised',
      `${inputs.millivolts} mV at ${inputs.temperatureC} °C fits none of the buffers in use: wrong buffer, tired electrode or wrong sign.`,
      { field: 'millivolts' },
    );
  if (scanned && scanned.substance !== found.buffer)
    return refuse(
      'contradictsBottle',
      `The electrode recognises ${found.buffer} (${inputs.millivolts} mV), the bottle scanned is ${binding.reference.name}, lot ${binding.reference.lot}: wrong beaker, or a cracked glass. Not taken.`,
      { field: 'millivolts' },
    );
  return {
    value: found.pH.toFixed(3),
    unit: channel.unit,
    expanded: scanned?.expanded ?? '0.02',
    k: scanned?.k ?? 2,
    inputs: { ...inputs, buffer: found.buffer },
    binding: binding?.seq ?? null,
    sentence: `${scanned ? `${binding.reference.name}, lot ${binding.reference.lot}: ` : ''}recognised ${found.buffer}: pH ${found.pH.toFixed(3)} at ${inputs.temperatureC} °C`,
  };
}

/** A strip's colour between two fields is an interval; the meter is compared with its middle, its half width is the limit. */
function strip(inputs: Record<string, string>, channel: RunChannel): TargetUsed | Refusal {
  const [low, high] = [inputs.low?.trim() ?? '', inputs.high?.trim() ?? ''];
  const number = /^\d+(\.\d+)?$/;
  if (!number.test(low)) return refuse('noStrip', 'Which field is the colour above or at?', { field: 'low' });
  if (!number.test(high) || !(Number(high) > Number(low)))
    return refuse('noStrip', 'Which field is the colour under? A colour between two fields is an interval.', { field: 'high' });
  return {
    value: new Dec(low).plus(high).div(2).toFixed(),
    unit: channel.unit,
    expanded: null,
    k: 2,
    inputs,
    binding: null,
    sentence: `indicator strip between ${low} and ${high} ${channel.unit}: a cross-check, no calibration`,
  };
}
