import { fitElectrode, type Electrode } from '../ph/fit-electrode';
import type { RunChannel } from '../run/event';
import { calibrationReadings, type RunState } from '../run/state';

/**
 * The electrode line of the calibration that stands in a run, from its millivolts: offset in mV at pH 7, slope in % of Nernst from two buffers on.
 * Null where no millivolts were taken. Errors: those of `fitElectrode`. Source: Nernst equation.
 *
 * @example
 * electrodeOfCalibration(state, channel)?.segments[0]?.slopePercent // 92.6
 */
export function electrodeOfCalibration(state: RunState, channel: RunChannel): Electrode | null {
  const byValue = new Map<number, { pH: number; millivolts: number; temperatureC: number }>();
  for (const { target, inputs } of calibrationReadings(state, channel)) {
    const [pH, millivolts, temperatureC] = [target?.value, inputs.millivolts, inputs.temperatureC].map((text) =>
      text === undefined ? NaN : Number(text),
    ) as [number, number, number];
    if ([pH, millivolts, temperatureC].every(Number.isFinite)) byValue.set(pH, { pH, millivolts, temperatureC });
  }
  return byValue.size ? fitElectrode({ points: [...byValue.values()] }) : null;
}
