import { dryGasTarget } from '../gas/dry-gas-target';
import { Dec } from '../quantity/decimal';
import { STANDARD_PRESSURE_HPA } from '../gas/standard-pressure';
import type { TargetUsed } from '../record/event';
import { refuse, type Refusal } from '../words/refusal';
import type { Component } from '../uncertainty/component';
import { say } from '../words/say';
import { equipmentComponent } from './equipment';
import { gas, gasInfluences } from './gas';
import type { InfluenceContext, Measurand, TargetContext } from './measurand';
import { certifiedText, from, materialOf, plainTarget } from './plain-target';
import { ROOM, roomFigure } from '../record/room';

/** Dry gas: what comes out of the bottle falls with the air pressure, value and uncertainty alike; the instrument expects it in its own steps. */
function target(context: TargetContext): TargetUsed | null | Refusal {
  const { point, channel, inputs, state } = context;
  if (point.target.kind !== 'material' || point.target.via !== 'atPressure') return plainTarget(context);
  const found = materialOf(context);
  if ('refused' in found) return found;
  const { binding, component } = found;
  const pressure = roomFigure(state, 'pressureHPa');
  if (!pressure) return refuse('noPressure', say({ code: 'refused.noPressure' }), { field: 'pressureHPa' });
  const value = dryGasTarget({ nominal: component.value, pressureHPa: pressure.value, resolution: channel.resolution });
  const share = pressure.value / STANDARD_PRESSURE_HPA;
  return from(binding, {
    value,
    unit: channel.unit,
    expanded: new Dec(component.expanded).times(share).toSignificantDigits(4).toFixed(),
    k: component.k,
    rounded: channel.resolution,
    inputs: { ...inputs, pressureHPa: pressure.text, nominal: component.value },
    sentence: say({
      code: 'target.atPressure',
      numbers: { certified: certifiedText(component), value, pressure: pressure.text },
    }),
  });
}

function influences(context: InfluenceContext): Component[] {
  const { point, state, target: used } = context;
  const common = gasInfluences(context, ethanol).filter((one) => one.id !== 'flow' || point.target.kind === 'material');
  const pressure = roomFigure(state, 'pressureHPa');
  if (point.target.kind !== 'material' || !pressure) return common;
  return [
    ...common,
    equipmentComponent({
      id: 'barometer',
      basis: 'basis.barometer',
      binding: pressure.binding,
      component: pressure.component,
      sensitivity: Number(used.value) / pressure.value,
      openHalf: ROOM.pressureHPa.openHalf,
      unit: 'hPa',
    }),
  ];
}

/** A tester that reads low lets somebody drive. */
export const ethanol: Measurand = gas({
  danger: 'fall',
  fades: 0.5,
  repeats: 2,
  clean: [0, 'g/210 L'],
  target,
  influences,
});
