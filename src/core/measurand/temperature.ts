import { decimalPlaces } from '../quantity/decimal';
import { isRefusal } from '../words/refusal';
import { say } from '../words/say';
import { standingComponent } from './common-influences';
import { correctedBy } from './liquid-temperature';
import type { Measurand, TargetContext } from './measurand';
import { inSlot, plainTarget } from './plain-target';
import { measures } from '../record/room';
import { practice } from '../uncertainty/standing';

/** A probe beside a thermometer in one stirred beaker: what the thermometer shows, corrected by its certificate. */
function target(context: TargetContext) {
  const found = plainTarget(context);
  if (found === null || isRefusal(found) || context.point.target.kind !== 'comparison') return found;
  const binding = inSlot(context, context.point.target.slot);
  if ('refused' in binding) return binding;
  const component = measures(binding, 'temperature');
  const value = correctedBy(component, found.value, binding);
  if (typeof value !== 'string') return value;
  return {
    ...found,
    value,
    expanded: component?.expanded ?? found.expanded,
    k: component?.k ?? found.k,
    inputs: {
      ...found.inputs,
      ...(value === found.value ? {} : { correction: (Number(value) - Number(found.value)).toFixed(decimalPlaces(value)) }),
    },
    sentence:
      value === found.value
        ? found.sentence
        : say({
            code: 'target.corrected',
            numbers: { name: binding.reference.name, shown: found.value, value, unit: context.channel.unit },
          }),
  };
}

export const temperature: Measurand = {
  danger: null,
  inputs: ({ target: wanted }) =>
    wanted.kind === 'comparison' ? [{ name: 'comparison', label: 'reference shows', needed: true }] : [],
  target,
  influences: (context) => {
    const gradient = standingComponent(context, temperature, 'gradient', 'gradient');
    return gradient ? [gradient] : [];
  },
  standing: {
    repeatability: practice(0.05, 'absolute', '°C'),
    gradient: practice(0.1, 'absolute', '°C'),
  },
  probe: 'temperature',
};
