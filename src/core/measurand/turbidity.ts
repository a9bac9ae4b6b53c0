import type { Component } from '../uncertainty/component';
import { standingComponent } from './common-influences';
import type { InfluenceContext, Measurand } from './measurand';
import { plainTarget } from './plain-target';
import { memory, practice } from '../uncertainty/standing';

function influences(context: InfluenceContext): Component[] {
  if (context.point.target.kind !== 'material') return [];
  const diluted = standingComponent(context, turbidity, 'dilution', 'dilution');
  return diluted ? [diluted] : [];
}

/**
 * Turbidity, nephelometric, against formazin or a stabilised suspension of the stated value.
 * A standard of the working range is diluted from a stock: what volumes and the settling of the suspension do is a component of its own.
 * Source: ISO 7027-1:2016 states turbidity against formazin; the standing values are practice and memory.
 */
export const turbidity: Measurand = {
  danger: null,
  inputs: () => [],
  target: plainTarget,
  influences,
  standing: {
    repeatability: practice(1, 'percent'),
    stability: memory(1, 'percent'),
    dilution: memory(1, 'percent'),
  },
  liquids: [
    { kind: 'standard', substance: 'formazin-20', name: 'Formazin 20 NTU', unit: 'NTU' },
    { kind: 'standard', substance: 'formazin-100', name: 'Formazin 100 NTU', unit: 'NTU' },
  ],
};
