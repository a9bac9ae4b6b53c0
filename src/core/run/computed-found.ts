import { decimalPlaces } from '../quantity/decimal';
import { nernstSlope } from '../ph/nernst-slope';
import type { ComputedFrom } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { refused } from '../words/refused';
import type { Refusal } from '../words/refusal';
import { ownId } from '../record/step-key';
import { isStruck, type RunState } from '../record/state';

/** Items of the question what a meter keeps of its electrode before it is adjusted. */
export const SLOPE_BEFORE = 'slope-before';
export const OFFSET_BEFORE = 'offset-before';

/**
 * Slope (%) and offset (mV at pH 7) that the meter kept before its first adjustment, as read from it; null unless both were told.
 * Errors: none.
 *
 * @example
 * electrodeBefore(state) // { slopePercent: '98.5', offsetMv: '-4.0' }
 */
export function electrodeBefore(state: RunState): { slopePercent: string; offsetMv: string } | null {
  const told = (item: string) => Object.entries(state.answers).findLast(([key]) => ownId(key) === item)?.[1].value;
  const [slopePercent, offsetMv] = [told(SLOPE_BEFORE), told(OFFSET_BEFORE)];
  if (!slopePercent || !offsetMv || !(Number(slopePercent) > 0) || !Number.isFinite(Number(offsetMv))) return null;
  return { slopePercent, offsetMv };
}

/**
 * By how much the cell constant was changed in this run: product of value set over value shown before, over the calibrations taken so far. 1 before the first.
 * Errors: none. Source: κ = K·G (ISO 7888:1985, 3.2), so a reading before is one after divided by this.
 *
 * @example
 * cellChange(state) // 0.9942 after 1413 was shown as 1421 and set
 */
export function cellChange(state: RunState): number {
  return state.readings
    .filter((one) => one.phase === 'adjustment' && !isStruck(one) && one.target && wasSet(state, one.channel, one.seq))
    .filter((one) => state.channels.some((each) => each.id === one.channel && each.measurand === 'conductivity'))
    .reduce((product, one) => product * (Number(one.target!.value) / Number(one.reading.text)), 1);
}
const wasSet = (state: RunState, channel: string, seq: number) =>
  state.adjustments.some((one) => !one.struck && one.outcome !== 'failed' && one.seq > seq && one.channels.includes(channel));

/**
 * What the meter would have shown here before it was adjusted in this run, in the display's own steps, with what it was worked out from.
 * electrode: pH from the millivolts (mV) with the slope and offset kept before, at the liquid's temperature. cell: the conductivity shown now, referred to the cell constant kept before.
 * Errors: Refusal without millivolts or temperature, or where slope and offset were not told. Source: Nernst equation, zero at pH 7; ISO 7888:1985.
 *
 * @example
 * computedFound('electrode', { state, channel, text: '', inputs: { millivolts: '171.2', temperatureC: '25.0' } }) // { text: '4.04', inputs: { … computed: 'electrode' } }
 */
export function computedFound(
  from: ComputedFrom,
  { state, channel, text, inputs }: { state: RunState; channel: RunChannel; text: string; inputs: Record<string, string> },
): { text: string; inputs: Record<string, string> } | Refusal {
  const places = decimalPlaces(channel.resolution);
  if (from === 'cell') {
    const change = cellChange(state);
    if (!/^\d+(\.\d+)?$/.test(text.trim())) return refused('notComputed', {}, 'text');
    const value = (Number(text) / change).toFixed(places);
    return { text: value, inputs: { ...inputs, computed: from, shown: text.trim(), cellChange: change.toFixed(5) } };
  }
  const before = electrodeBefore(state);
  if (!inputs.millivolts) return refused('computedNeeds', {}, 'millivolts');
  if (!inputs.temperatureC) return refused('computedNeeds', {}, 'temperatureC');
  if (!before) return refused('notComputed', {}, 'text');
  const slope = (Number(before.slopePercent) / 100) * nernstSlope({ temperatureC: Number(inputs.temperatureC) });
  const value = 7 + (Number(before.offsetMv) - Number(inputs.millivolts)) / slope;
  return { text: value.toFixed(places), inputs: { ...inputs, computed: from, ...before } };
}
