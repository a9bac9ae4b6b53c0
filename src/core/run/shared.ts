import { isStruck, measuredChannels, type RecordedReading, type RunState, type StimulusSpan } from '../record/state';

/** What opens an instrument or puts something new into it: a bump before it says nothing of what comes after. */
const OPENING_OPTIONS = new Set(['trim', 'fineZero', 'newSensor', 'mend']);
const OPENING_ACTIONS = new Set(['trim', 'fineZero']);

/**
 * Whether some measured channel (or this one) still lacks an as-left reading at one of these points after its last adjustment.
 * Errors: none.
 *
 * @example
 * leftMissing(state, ['span']) // true until every channel was read in gas after it was spanned
 */
export function leftMissing(
  state: RunState,
  points: string[],
  { channel, role }: { channel?: string | undefined; role?: string | undefined } = {},
): boolean {
  return measuredChannels(state).some((one) => {
    if ((channel && one.id !== channel) || (role && one.role !== role)) return false;
    const adjusted = lastAdjusted(state, one.id);
    return !state.readings.some(
      (reading) =>
        reading.phase === 'asLeft' &&
        reading.channel === one.id &&
        points.includes(reading.point) &&
        reading.seq > adjusted &&
        !isStruck(reading),
    );
  });
}

/** Sequence number of the last adjustment of a channel that stands; 0 where there is none. */
export const lastAdjusted = (state: RunState, channel: string): number =>
  state.adjustments.findLast((one) => !one.struck && one.action !== 'quick' && one.channels.includes(channel))?.seq ?? 0;

/**
 * The exposure that a reading as left shares with the adjustment of its channel: the same gas or liquid, never closed between. Null where it stood apart.
 *
 * @example
 * sharedExposure(state, reading)?.slot // 'mix'
 */
export function sharedExposure(state: RunState, reading: RecordedReading): StimulusSpan | null {
  if (reading.phase !== 'asLeft') return null;
  const adjusted = lastAdjusted(state, reading.channel);
  return (
    state.stimuli.find(
      (span) => span.onSeq < adjusted && adjusted < reading.seq && (span.offSeq === null || span.offSeq > reading.seq),
    ) ?? null
  );
}

/**
 * Whether the last bump passed and nothing was opened or replaced after it. Common practice.
 *
 * @example
 * bumpStands(state) // false once a new sensor was fitted
 */
export function bumpStands(state: RunState): boolean {
  const bump = state.bumps.at(-1);
  if (bump?.outcome !== 'passed') return false;
  const after = ({ seq }: { seq: number }) => seq > bump.seq;
  return !(
    state.parts.some(after) ||
    state.cares.some(after) ||
    state.decisions.some((one) => after(one) && OPENING_OPTIONS.has(one.option)) ||
    state.adjustments.some((one) => after(one) && !one.struck && OPENING_ACTIONS.has(one.action))
  );
}

/**
 * Whether the gas that is open trips the alarm of every measured channel: target and reading at or beyond the alarm point, for oxygen on either side. False where one of them isn't known.
 *
 * @example
 * tripsAlarms(state) // true for 18 %vol oxygen (alarm 19.5) beside 100 ppm carbon monoxide (alarm 35)
 */
export function tripsAlarms(state: RunState): boolean {
  const channels = measuredChannels(state);
  const open = state.stimuli.find((span) => span.offAt === null);
  if (!open || channels.length === 0) return false;
  return channels.every((channel) => {
    const read = state.readings.findLast(
      (one) => one.channel === channel.id && one.seq > open.onSeq && !isStruck(one) && one.target,
    );
    const { low, high } = channel.alarms ?? {};
    if (!read || low === undefined || (read.reading.status !== 'value' && read.reading.status !== 'over')) return false;
    // Oxygen warns below its low point and above its high one; the rest above the low one.
    const trips = (value: number) =>
      channel.measurand === 'oxygen'
        ? value <= Number(low) || (high !== undefined && value >= Number(high))
        : value >= Number(low);
    // The gas would, and what it shows does: a channel that hardly moves is calibrated first.
    return trips(Number(read.target!.value)) && (read.reading.status === 'over' || trips(Number(read.reading.text)));
  });
}
