import { airCalibrationTarget } from '../oxygen/air-calibration';
import { decimalPlaces } from '../quantity/decimal';
import type { TargetUsed } from '../record/event';
import { refuse, type Refusal } from '../words/refusal';
import { bounded, type Component } from '../uncertainty/component';
import { say } from '../words/say';
import { standingComponent, standingOf } from './common-influences';
import { equipmentComponent } from './equipment';
import { liquidTemperature, TEMPERATURE, temperatureInfluences } from './liquid-temperature';
import type { InfluenceContext, Measurand, TargetContext } from './measurand';
import { movedBy } from './moved';
import { plain, plainTarget } from './plain-target';
import { ROOM, roomFigure } from '../record/room';
import { practice, published } from '../uncertainty/standing';
import { sourceFact } from '../uncertainty/standing';

/** Water-saturated air at the pressure of the place, in what the channel shows. Source: as `airCalibrationTarget`. */
function target(context: TargetContext): TargetUsed | null | Refusal {
  const { point, channel, state, inputs } = context;
  if (point.target.kind !== 'computed') return plainTarget(context);
  const temperature = liquidTemperature(context);
  if ('refused' in temperature) return temperature;
  if (temperature.value < 0.5 || temperature.value > 39.5)
    return refuse(
      'outsideTable',
      say({ code: 'refused.outsideSolubility', numbers: { temperature: temperature.inputs.temperatureC! } }),
      { field: 'temperatureC' },
    );
  const text = inputs.pressureHPa ?? roomFigure(state, 'pressureHPa')?.text;
  const hPa = Number(text ?? NaN);
  if (!(hPa >= 510 && hPa <= 1090)) return refuse('noPressure', say({ code: 'refused.noPressure' }), { field: 'pressureHPa' });
  const percent = channel.unit === '%';
  const scale = channel.water?.saturation ?? 'local';
  const air = airCalibrationTarget({ temperatureC: temperature.value, pressureHPa: hPa });
  const number = percent ? (scale === 'local' ? air.percentLocal : air.percentOfOneAtm) : air.mgPerL;
  const value = inputs.unrounded ? String(number) : number.toFixed(decimalPlaces(channel.resolution) + 1);
  return {
    ...plain({ ...temperature.inputs, pressureHPa: text!, saturation: percent ? scale : 'mg/L' }),
    value,
    unit: channel.unit,
    air: 'saturated',
    sentence: say({
      code: 'target.saturatedAir',
      numbers: {
        temperature: temperature.inputs.temperatureC!,
        pressure: text!,
        value,
        what: say({ code: percent ? (scale === 'local' ? 'target.localPercent' : 'target.oneAtmPercent') : 'target.mgPerL' }),
      },
    }),
  };
}

function influences(context: InfluenceContext): Component[] {
  const { point, state, target: used } = context;
  if (point.target.kind !== 'computed') return [];
  const pressure = roomFigure(state, 'pressureHPa');
  const value = Number(used.value);
  const sleeve = standingOf(context, dissolvedOxygen, 'sleeve');
  return [
    ...temperatureInfluences(context, dissolvedOxygen),
    equipmentComponent({
      id: 'barometer',
      basis: 'basis.barometer',
      binding: pressure?.binding ?? null,
      component: pressure?.component ?? null,
      sensitivity: movedBy(context, dissolvedOxygen.target, 'pressureHPa', 2),
      openHalf: ROOM.pressureHPa.openHalf,
      unit: 'hPa',
    }),
    // Air that is not quite saturated holds more oxygen: of water vapour's own share of the pressure.
    sleeve
      ? bounded({
          id: 'sleeve',
          half: sleeve.value,
          sensitivity: (value * 0.03) / 100,
          basis: {
            code: 'basis.absolute',
            numbers: { value: sleeve.value, unit: '% RH', source: say(sourceFact(sleeve.source)) },
          },
        })
      : null,
    standingComponent(context, dissolvedOxygen, 'salinity', 'salinity'),
    context.channel.unit === '%' ? null : standingComponent(context, dissolvedOxygen, 'solubility', 'solubility'),
  ].filter((one): one is Component => one !== null);
}

/** Oxygen dissolved in water, and its saturation: one probe, one reference. */
export const dissolvedOxygen: Measurand = {
  danger: null,
  inputs: ({ target: wanted }) => (wanted.kind === 'computed' ? [TEMPERATURE] : []),
  target,
  influences,
  standing: {
    repeatability: practice(0.5, 'percent'),
    sleeve: practice(5, 'absolute', '%'),
    salinity: practice(0.05, 'percent'),
    solubility: published(0.1, 'percent', 'Benson and Krause 1984, standard error of the equation'),
    gradient: practice(0.2, 'absolute', '°C'),
  },
  probe: 'oxygen',
  describe: ({ water }) =>
    water?.saturation ? [{ code: water.saturation === 'local' ? 'describe.saturationLocal' : 'describe.saturationOneAtm' }] : [],
};
