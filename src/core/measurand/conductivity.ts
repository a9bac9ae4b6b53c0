import { toReferenceTemperature } from '../conductivity/to-reference-temperature';
import { Dec } from '../quantity/decimal';
import type { TargetUsed } from '../record/event';
import type { Refusal } from '../words/refusal';
import { isStruck } from '../record/state';
import { bounded, type Component } from '../uncertainty/component';
import { say } from '../words/say';
import { standingComponent } from './common-influences';
import { liquidTemperature, TEMPERATURE, temperatureInfluences } from './liquid-temperature';
import { atTemperature, figure, inUnit, KCL, valueAt } from './liquid-value';
import type { InfluenceContext, Measurand, TargetContext } from './measurand';
import { from, materialOf, plainTarget, wrongUnit } from './plain-target';
import { memory, practice } from '../uncertainty/standing';

function target(context: TargetContext): TargetUsed | null | Refusal {
  const wanted = context.point.target;
  if (wanted.kind !== 'material') return plainTarget(context);
  if (wanted.via === 'atTemperature') return atTemperature(context);
  return wanted.via === 'compensated' ? compensated(context) : plainTarget(context);
}

/** What a sound meter shows of a conductivity standard: its value at the measured temperature, referred by the meter's own rule. */
function compensated(context: TargetContext): TargetUsed | Refusal {
  const { channel } = context;
  const rule = channel.water?.compensation;
  if (!rule) return atTemperature(context);
  const found = materialOf(context);
  if ('refused' in found) return found;
  const { binding, component } = found;
  const temperature = liquidTemperature(context);
  if ('refused' in temperature) return temperature;
  const certified = inUnit(component.value, component.unit, channel.unit);
  if (certified === null) return wrongUnit(component, context);
  const whole = {
    unit: channel.unit,
    k: component.k,
    expanded: inUnit(component.expanded, component.unit, channel.unit),
    inputs: { ...temperature.inputs, referenceC: rule.referenceC },
  };
  const known = component.table?.length || KCL[component.substance];
  if (!rule.percentPerC || !known)
    return from(binding, {
      ...whole,
      value: certified,
      sentence: say({
        code: 'target.refersItself',
        numbers: { substance: component.substance, value: certified, unit: channel.unit, reference: rule.referenceC },
      }),
    });
  const there = valueAt(component, temperature.value);
  if ('refused' in there) return there;
  const micro = toReferenceTemperature({
    conductivity: there.value,
    temperatureC: temperature.value,
    referenceC: Number(rule.referenceC),
    alphaPercentPerC: Number(rule.percentPerC),
  });
  const value = inUnit(
    figure({ value: micro, places: component.unit === 'mS/cm' ? 4 : 1 }, context),
    component.unit,
    channel.unit,
  )!;
  return from(binding, {
    ...whole,
    inputs: { ...whole.inputs, percentPerC: rule.percentPerC },
    value,
    sentence: say({
      code: 'target.referred',
      numbers: {
        substance: component.substance,
        there: new Dec(there.value.toFixed(there.places)).toFixed(),
        unit: component.unit,
        temperature: temperature.inputs.temperatureC!,
        table: say(there.table),
        percent: rule.percentPerC,
        reference: rule.referenceC,
        value,
        shown: channel.unit,
      },
    }),
  });
}

function influences(context: InfluenceContext): Component[] {
  if (context.point.target.kind !== 'material') return [];
  return [
    ...temperatureInfluences(context, conductivity),
    standingComponent(context, conductivity, 'compensation', 'compensation'),
    standingComponent(context, conductivity, 'cell', 'cell'),
    computedInfluence(context),
  ].filter((one): one is Component => one !== null);
}

/** Half a step of each display that the change of the cell constant was taken from, in an as-found figure that is worked out with it. */
function computedInfluence({ inputs, state, target }: InfluenceContext): Component | null {
  if (inputs.computed !== 'cell') return null;
  const relative = state.readings
    .filter((one) => one.phase === 'adjustment' && !isStruck(one))
    .reduce((sum, one) => {
      const channel = state.channels.find((each) => each.id === one.channel && each.measurand === 'conductivity');
      return channel ? sum + Number(channel.resolution) / 2 / Number(one.reading.text) : sum;
    }, 0);
  const half = relative * Number(target.value);
  return half > 0 ? bounded({ id: 'computed', half, basis: { code: 'basis.computed' } }) : null;
}

export const conductivity: Measurand = {
  danger: null,
  inputs: ({ target: wanted }) =>
    wanted.kind === 'material' && (wanted.via === 'atTemperature' || wanted.via === 'compensated') ? [TEMPERATURE] : [],
  target,
  influences,
  standing: {
    repeatability: practice(0.2, 'percent'),
    stability: memory(0.2, 'percent'),
    compensation: practice(0.1, 'percent'),
    cell: practice(0.2, 'percent'),
    gradient: practice(0.2, 'absolute', '°C'),
  },
  liquids: [
    { kind: 'standard', substance: 'kcl-84', name: '84 µS/cm', unit: 'µS/cm' },
    { kind: 'standard', substance: 'kcl-1413', name: '1413 µS/cm', unit: 'µS/cm' },
    { kind: 'standard', substance: 'kcl-12880', name: '12.88 mS/cm', unit: 'mS/cm' },
    { kind: 'standard', substance: 'salt-731', name: '731 µS/cm, mixed salt', unit: 'µS/cm' },
    { kind: 'standard', substance: 'salt-1417', name: '1417 µS/cm, mixed salt', unit: 'µS/cm' },
    { kind: 'standard', substance: 'ec-5000', name: 'Quick solution, 5.0 mS/cm', unit: 'µS/cm' },
  ],
  probe: 'conductivity',
  describe: ({ water }) => {
    const rule = water?.compensation;
    if (!rule) return [{ code: 'describe.uncompensated' }];
    return rule.percentPerC
      ? [{ code: 'describe.compensated', numbers: { reference: rule.referenceC, percent: rule.percentPerC } }]
      : [{ code: 'describe.ownCurve', numbers: { reference: rule.referenceC } }];
  },
};
