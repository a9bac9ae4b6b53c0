import { figure, off, TEMPERATURE_OFF } from './figure';
import type { AddCause, WaterFacts } from './probe-facts';

const ROOM_APART = 4;

/** What a liquid away from the room, or a sensor off, does to every probe. */
export function temperatureCauses({ temperatureErrorC, dips, roomC }: WaterFacts, add: AddCause): void {
  if (typeof temperatureErrorC === 'number' && Math.abs(temperatureErrorC) > TEMPERATURE_OFF)
    add(
      'temperatureSensor',
      5,
      'Temperature sensor off',
      `It shows ${figure(temperatureErrorC)} °C beside the thermometer; beyond 2 °C it is recalibrated.`,
    );
  const warm = dips.find(
    (dip) => typeof dip.temperatureC === 'number' && typeof roomC === 'number' && Math.abs(dip.temperatureC - roomC) > ROOM_APART,
  );
  if (warm && Math.abs(temperatureErrorC ?? 0) <= TEMPERATURE_OFF)
    add(
      'warmBuffer',
      dips.some(off) || dips.some((dip) => (dip.unrest ?? 0) > 1) ? 4 : 3.6,
      'The liquid has not the room’s temperature',
      `${figure(warm.temperatureC!)} °C in a room of ${figure(roomC!)} °C: reading and table value are still moving.`,
    );
}
