import { mixedSaltSolids, totalDissolvedSolids } from '../conductivity/total-dissolved-solids';
import { Dec, decimalPlaces } from '../quantity/decimal';
import type { TargetUsed } from '../record/event';
import { refuse, type Refusal } from '../words/refusal';
import type { Component } from '../uncertainty/component';
import { say } from '../words/say';
import { standingComponent } from './common-influences';
import { inUnit } from './liquid-value';
import type { InfluenceContext, Measurand, TargetContext } from './measurand';
import { from, materialOf, plainTarget } from './plain-target';
import { memory, practice } from '../uncertainty/standing';

/** Dissolved solids of a conductivity standard by the channel's own rule, which stands on the certificate. */
function target(context: TargetContext): TargetUsed | null | Refusal {
  const { point, channel, inputs } = context;
  if (point.target.kind !== 'material' || point.target.via !== 'dissolvedSolids') return plainTarget(context);
  const found = materialOf(context);
  if ('refused' in found) return found;
  const { binding, component } = found;
  const rule = channel.water?.solids;
  const micro = inUnit(component.value, component.unit, 'µS/cm');
  if (!rule || micro === null)
    return refuse('noSolidsRule', say({ code: 'refused.noSolidsRule', numbers: { channel: channel.label } }));
  const conductivityUsPerCm = Number(micro);
  if ('curve' in rule && conductivityUsPerCm > 3000) return refuse('outsideTable', say({ code: 'refused.outsideCurve' }));
  const ppm =
    'factor' in rule
      ? totalDissolvedSolids({ conductivityUsPerCm, factor: Number(rule.factor) })
      : mixedSaltSolids({ conductivityUsPerCm });
  const value = (ppm / (channel.unit === 'ppt' ? 1000 : 1)).toFixed(decimalPlaces(channel.resolution) + 1);
  const numbers = { substance: component.substance, conductivity: micro, value, unit: channel.unit };
  return from(binding, {
    value,
    unit: channel.unit,
    expanded: new Dec(component.expanded).div(component.value).times(value).toSignificantDigits(3).toFixed(),
    k: component.k,
    inputs,
    sentence:
      'factor' in rule
        ? say({ code: 'target.solidsFactor', numbers: { ...numbers, factor: rule.factor } })
        : say({ code: 'target.solidsCurve', numbers }),
  });
}

const influences = (context: InfluenceContext): Component[] =>
  [
    standingComponent(context, dissolvedSolids, 'compensation', 'compensation'),
    standingComponent(context, dissolvedSolids, 'solidsRule', 'solidsRule'),
  ].filter((one): one is Component => one !== null);

export const dissolvedSolids: Measurand = {
  danger: null,
  inputs: () => [],
  target,
  influences,
  standing: {
    repeatability: practice(0.3, 'percent'),
    stability: memory(0.2, 'percent'),
    compensation: practice(0.3, 'percent'),
    solidsRule: practice(0.5, 'percent'),
  },
  describe: ({ water }) => {
    const rule = water?.solids;
    if (!rule) return [];
    return 'factor' in rule
      ? [{ code: 'describe.solidsFactor', numbers: { factor: rule.factor } }]
      : [{ code: 'describe.solidsCurve' }];
  },
};
