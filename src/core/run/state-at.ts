import type { RecordedReading, RunState } from '../record/state';

/**
 * The run as it stood when a reading was taken, as far as its target looks: its own reference in place, conditions up to then. What isn't looked at is shared with the run: whoever applies events to it copies it first.
 *
 * @example
 * stateAt(state, reading).bindings.every((one) => one.seq < reading.seq) // true
 */
export function stateAt(state: RunState, reading: RecordedReading): RunState {
  const bindings = state.bindings.filter((one) => one.seq < reading.seq);
  // The last of each slot stands in it.
  const last = new Map(bindings.map((one) => [one.slot, one.seq]));
  return {
    ...state,
    conditions: state.conditions.filter((one) => one.seq < reading.seq),
    bindings: bindings.map((one) => (one.released && last.get(one.slot) === one.seq ? { ...one, released: false } : one)),
    stimuli: state.stimuli
      .filter((span) => span.onSeq < reading.seq)
      .map((span) => (span.offSeq !== null && span.offSeq > reading.seq ? { ...span, offAt: null } : span)),
  };
}
