import { fitElectrode, type Electrode } from '../ph/fit-electrode';
import type { RecordedReading } from '../record/state';

/** One reading a buffer or point, the last that gave a number and was compared with something. */
export function onePerPoint(readings: RecordedReading[]): RecordedReading[] {
  const byPoint = new Map<string, RecordedReading>();
  for (const one of readings)
    if (one.target && one.reading.status === 'value') byPoint.set(one.target.inputs.buffer ?? one.point, one);
  return [...byPoint.values()];
}

/**
 * The electrode line through readings in buffers, from their millivolts: offset in mV at pH 7, slope in % of Nernst from two buffers on.
 * Null where no millivolts were taken. Errors: those of `fitElectrode`. Source: Nernst equation.
 *
 * @example
 * electrodeThrough(calibrationReadings(state, channel))?.segments[0]?.slopePercent // 92.6
 */
export function electrodeThrough(readings: RecordedReading[]): Electrode | null {
  const byValue = new Map<number, { pH: number; millivolts: number; temperatureC: number }>();
  for (const { target, inputs } of onePerPoint(readings)) {
    const pH = Number(target!.value);
    const [millivolts, temperatureC] = [Number(inputs.millivolts ?? NaN), Number(inputs.temperatureC ?? NaN)];
    if (Number.isFinite(millivolts) && Number.isFinite(temperatureC)) byValue.set(pH, { pH, millivolts, temperatureC });
  }
  return byValue.size ? fitElectrode({ points: [...byValue.values()] }) : null;
}
