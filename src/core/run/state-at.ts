import { copyState, type RecordedReading, type RunState } from '../record/state';

/** The run as it stood when a reading was taken, as far as its target looks: its own reference in place, conditions up to then. */
export function stateAt(state: RunState, reading: RecordedReading): RunState {
  const then = copyState(state);
  then.conditions = then.conditions.filter((one) => one.seq < reading.seq);
  then.bindings = then.bindings.filter((one) => one.seq < reading.seq);
  for (const slot of new Set(then.bindings.map((one) => one.slot))) {
    const last = then.bindings.filter((one) => one.slot === slot).at(-1)!;
    last.released = false;
  }
  then.stimuli = then.stimuli
    .filter((span) => span.onSeq < reading.seq)
    .map((span) => (span.offSeq !== null && span.offSeq > reading.seq ? { ...span, offAt: null } : span));
  return then;
}
