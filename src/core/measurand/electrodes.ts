import { atTemperature } from './liquid-value';
import type { Component } from '../uncertainty/component';
import { standingComponent } from './common-influences';
import { TEMPERATURE, temperatureInfluences } from './liquid-temperature';
import type { InfluenceContext, Measurand } from './measurand';
import { plainTarget } from './plain-target';
import { memory, practice } from '../uncertainty/standing';

const electrode = (channel: Parameters<NonNullable<Measurand['describe']>>[0]) =>
  channel.water?.referenceElectrode
    ? [{ code: 'describe.electrode' as const, numbers: { electrode: channel.water.referenceElectrode } }]
    : [];

/** Redox potential: the standard's value at its temperature, against the reference electrode that is stated. */
export const redox: Measurand = {
  danger: null,
  inputs: ({ target }) => (target.kind === 'material' && target.via === 'atTemperature' ? [TEMPERATURE] : []),
  target: (context) =>
    context.point.target.kind === 'material' && context.point.target.via === 'atTemperature'
      ? atTemperature(context)
      : plainTarget(context),
  influences: (context) => inLiquid(context, redox),
  standing: {
    repeatability: practice(1, 'absolute', 'mV'),
    stability: memory(1, 'absolute', 'mV'),
    junction: practice(1, 'absolute', 'mV'),
    gradient: practice(0.2, 'absolute', '°C'),
  },
  liquids: [{ kind: 'standard', substance: 'redox-220', name: 'Redox 220 mV', unit: 'mV' }],
  probe: 'orp',
  describe: electrode,
};

/** Concentration of an ion by its electrode: the standard as certified; slope a decade from its millivolts. */
export const ion: Measurand = {
  danger: null,
  inputs: ({ target }) => (target.kind === 'material' ? [{ name: 'millivolts', label: 'mV', needed: false }, TEMPERATURE] : []),
  target: plainTarget,
  influences: (context) => inLiquid(context, ion),
  standing: {
    repeatability: practice(2, 'percent'),
    stability: memory(0.5, 'percent'),
    junction: practice(1, 'percent'),
  },
  liquids: [
    { kind: 'standard', substance: 'fluoride-1', name: 'Fluoride 1 mg/L', unit: 'mg/L' },
    { kind: 'standard', substance: 'fluoride-10', name: 'Fluoride 10 mg/L', unit: 'mg/L' },
  ],
  probe: 'ion',
  describe: electrode,
};

const inLiquid = (context: InfluenceContext, measurand: Measurand): Component[] =>
  context.point.target.kind === 'material'
    ? [...temperatureInfluences(context, measurand), standingComponent(context, measurand, 'junction', 'junction')].filter(
        (one): one is Component => one !== null,
      )
    : [];
