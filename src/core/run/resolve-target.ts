import { Dec } from '../quantity/decimal';
import { dryGasTarget } from '../gas/dry-gas-target';
import { bufferValue, BUFFER_IDS, type BufferId } from '../ph/buffer-value';
import { recogniseBuffer } from '../ph/recognise-buffer';
import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel, TargetUsed } from './event';
import { refuse, type Refusal } from './refusal';
import type { MaterialComponent } from './reference-snapshot';
import { boundReference, type RunState } from './state';

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
    case 'computed':
      return channel.cleanAir
        ? {
            ...plain,
            value: channel.cleanAir,
            unit: channel.unit,
            sentence: `clean air, ${channel.cleanAir} ${channel.unit} for this model`,
          }
        : refuse('noCleanAirValue', `This model has no clean-air value for ${channel.label}.`);
    case 'recognised':
      return recognised(target.set, inputs, channel);
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
  via: 'certified' | 'atTemperature' | 'atPressure' | 'lelScale',
  component: MaterialComponent,
  channel: RunChannel,
  state: RunState,
  inputs: Record<string, string>,
): Used | Refusal {
  const certified = `${component.substance} ${component.value} ${component.unit} ± ${component.expanded} (k = ${component.k})`;
  if (via === 'atPressure') return atPressure(component, channel, state, inputs, certified);
  if (via === 'atTemperature') return atTemperature(component, channel, inputs);
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

function atPressure(
  component: MaterialComponent,
  channel: RunChannel,
  state: RunState,
  inputs: Record<string, string>,
  certified: string,
): Used | Refusal {
  const pressure = inputs.pressureHPa ?? state.conditions.filter((condition) => condition.pressureHPa).at(-1)?.pressureHPa;
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

function atTemperature(component: MaterialComponent, channel: RunChannel, inputs: Record<string, string>): Used | Refusal {
  const temperature = Number(inputs.temperatureC ?? NaN);
  if (!Number.isFinite(temperature))
    return refuse('noTemperature', 'Type the temperature of the buffer: its value depends on it.', { field: 'temperatureC' });
  if (!(BUFFER_IDS as string[]).includes(component.substance))
    return refuse('noTable', `There is no temperature table for ${component.substance}.`);
  if (temperature < 0 || temperature > 50)
    return refuse('outsideTable', `${temperature} °C is outside the buffer's table (0 to 50 °C).`, { field: 'temperatureC' });
  const value = bufferValue({ buffer: component.substance as BufferId, temperatureC: temperature }).toFixed(3);
  return {
    value,
    unit: channel.unit,
    expanded: component.expanded,
    k: component.k,
    inputs,
    sentence: `${component.substance} at ${inputs.temperatureC} °C is pH ${value}`,
  };
}

function recognised(set: BufferId[], inputs: Record<string, string>, channel: RunChannel): TargetUsed | Refusal {
  const millivolts = Number(inputs.millivolts ?? NaN);
  const temperatureC = Number(inputs.temperatureC ?? NaN);
  if (!Number.isFinite(millivolts))
    return refuse('noMillivolts', 'Type the millivolts that the meter shows.', { field: 'millivolts' });
  if (!(temperatureC >= 5 && temperatureC <= 50))
    return refuse('outsideTable', 'The buffers have values from 5 to 50 °C.', { field: 'temperatureC' });
  const found = recogniseBuffer({ millivolts, temperatureC, set });
  if (!found)
    return refuse(
      'notRecognised',
      `${inputs.millivolts} mV at ${inputs.temperatureC} °C fits none of the buffers in use: wrong buffer, tired electrode or wrong sign.`,
      { field: 'millivolts' },
    );
  return {
    value: found.pH.toFixed(3),
    unit: channel.unit,
    expanded: '0.02',
    k: 2,
    inputs: { ...inputs, buffer: found.buffer },
    binding: null,
    sentence: `recognised ${found.buffer}: pH ${found.pH.toFixed(3)} at ${inputs.temperatureC} °C`,
  };
}
