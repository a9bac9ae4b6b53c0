import type { Procedure, Step } from '../procedure/procedure';
import { measuredChannels, standingReading, wasAdjusted, type RunState } from '../record/state';

/** Point and channel pairs of a read step that still lack a standing reading. */
export function missingReadings(
  step: Extract<Step, { kind: 'read' }>,
  key: string,
  only: string | undefined,
  procedure: Procedure,
  state: RunState,
): { point: string; channel: string }[] {
  return readPairs(step, only, procedure, state).filter(
    ({ point, channel }) =>
      !standingReading(state, { point, channel, phase: step.phase, step: key }) &&
      !(step.phase === 'asFound' && !step.computed && wasAdjusted(state, channel)),
  );
}

/** Point and channel pairs that a read step covers in this run. */
export function readPairs(
  step: { points: string[] },
  only: string | undefined,
  procedure: Procedure,
  state: RunState,
): { point: string; channel: string }[] {
  return step.points.flatMap((id) => {
    const point = procedure.points.find((candidate) => candidate.id === id);
    return measuredChannels(state)
      .filter((channel) => point?.channels.includes(channel.role) && (!only || channel.id === only))
      .map((channel) => ({ point: id, channel: channel.id }));
  });
}
