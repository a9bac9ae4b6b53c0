import { DRY_AIR_OXYGEN, moistAirOxygen } from '../gas/moist-air';
import { decimalPlaces } from '../quantity/decimal';
import { refuse, type Refusal } from '../words/refusal';
import type { TargetUsed } from '../record/event';
import type { RunState } from '../record/state';
import { bounded, type Component } from '../uncertainty/component';
import { say } from '../words/say';
import { equipmentComponent } from './equipment';
import { gas, gasInfluences } from './gas';
import type { InfluenceContext, Measurand, TargetContext } from './measurand';
import { plain, plainTarget } from './plain-target';
import { ROOM, roomFigure } from '../record/room';
import { type RoomQuantity } from '../procedure/room-quantity';

/** Two schools, by model: the maker's 20.9 (or 20.8) as set, or what moist air really holds. */
const corrected = (state: RunState) => state.started?.schools?.['clean-air'] === 'corrected';
/** Air that nobody measured (a station's log): from dry to 30 °C and 80 %, where it holds 20.25 %vol. */
const UNKNOWN_AIR = 20.25;

interface Air {
  temperatureC: number;
  humidityPercent: number;
  pressureHPa: number;
}
function airOf(state: RunState): Air | null {
  const of = (quantity: RoomQuantity) => roomFigure(state, quantity)?.value;
  const [temperatureC, humidityPercent, pressureHPa] = [of('temperatureC'), of('humidityPercent'), of('pressureHPa')];
  return temperatureC === undefined || humidityPercent === undefined || pressureHPa === undefined
    ? null
    : { temperatureC, humidityPercent, pressureHPa };
}
const figures = (air: Air) => ({
  dry: DRY_AIR_OXYGEN,
  temperature: air.temperatureC,
  humidity: air.humidityPercent,
  pressure: air.pressureHPa,
});

function target(context: TargetContext): TargetUsed | null | Refusal {
  const { point, channel, inputs, state } = context;
  if (point.target.kind !== 'computed') return plainTarget(context);
  if (!channel.cleanAir)
    return refuse('noCleanAirValue', say({ code: 'refused.noCleanAirValue', numbers: { channel: channel.label } }));
  const air = airOf(state);
  if (!air && state.started?.origin !== 'imported')
    return refuse('noConditions', say({ code: 'refused.noConditions' }), { field: 'humidityPercent' });
  const used = { ...plain(inputs), unit: channel.unit, air: 'clean' as const };
  if (!air || !corrected(state))
    return {
      ...used,
      inputs: air ? { ...inputs, ...texts(air) } : inputs,
      value: channel.cleanAir,
      sentence: say({ code: 'target.cleanAir', numbers: { value: channel.cleanAir, unit: channel.unit } }),
    };
  const value = moistAirOxygen(air).toFixed(decimalPlaces(channel.resolution) + 2);
  return {
    ...used,
    inputs: { ...inputs, ...texts(air) },
    value,
    sentence: say({ code: 'target.cleanAirCorrected', numbers: { ...figures(air), value } }),
  };
}
const texts = (air: Air) => ({
  temperatureC: String(air.temperatureC),
  humidityPercent: String(air.humidityPercent),
  pressureHPa: String(air.pressureHPa),
});

/** Convention: what moist air holds less enters as a bound. Corrected: what thermometer, hygrometer and barometer leave open of it. */
function influences(context: InfluenceContext): Component[] {
  const { point, channel, state } = context;
  if (point.target.kind !== 'computed') return gasInfluences(context, oxygen);
  const air = airOf(state);
  if (!air || !corrected(state)) {
    const moist = air ? moistAirOxygen(air) : UNKNOWN_AIR;
    const numbers = air
      ? { ...figures(air), moist: moist.toFixed(3) }
      : { dry: DRY_AIR_OXYGEN, temperature: '≤ 30', humidity: '≤ 80', pressure: '1013', moist: moist.toFixed(3) };
    return [
      bounded({ id: 'humidity', half: Math.abs(Number(channel.cleanAir) - moist), basis: { code: 'basis.moist', numbers } }),
    ];
  }
  const part = (quantity: RoomQuantity, step: number, id: 'humidity' | 'airTemperature' | 'barometer') => {
    const figure = roomFigure(state, quantity);
    const high = moistAirOxygen({ ...air, [quantity]: air[quantity] + step });
    const low = moistAirOxygen({ ...air, [quantity]: air[quantity] - step });
    return equipmentComponent({
      id,
      basis:
        quantity === 'humidityPercent'
          ? 'basis.hygrometer'
          : quantity === 'pressureHPa'
            ? 'basis.barometer'
            : 'basis.thermometer',
      binding: figure?.binding ?? null,
      component: figure?.component ?? null,
      sensitivity: (high - low) / (2 * step),
      openHalf: ROOM[quantity].openHalf,
      unit: ROOM[quantity].unit,
    });
  };
  return [
    part('humidityPercent', 0.5, 'humidity'),
    part('temperatureC', 0.5, 'airTemperature'),
    part('pressureHPa', 1, 'barometer'),
  ];
}

/** Too little suffocates, too much burns: both directions are dangerous. */
export const oxygen: Measurand = gas({
  danger: 'both',
  fades: 0.3,
  repeats: 0.5,
  clean: [0, '%vol'],
  sensor: { usualT90Seconds: 20, fallsInGas: true },
  target,
  influences,
});
