import type { Procedure } from '@/core/procedure/procedure';
import type { RunChannel } from '@/core/record/event';
import { standingReading, type RecordedReading, type RunState } from '@/core/record/state';

/** The point that says most about a channel: the last one that covers it and is compared with a material. */
export function mainPoint(procedure: Procedure, channel: RunChannel): string {
  const covering = procedure.points.filter((point) => point.channels.includes(channel.role));
  return (covering.filter((point) => point.target.kind === 'material').at(-1) ?? covering.at(-1))?.id ?? '';
}

/** The point at which a channel's zero is looked at; undefined where the procedure has none. */
export const zeroPoint = (procedure: Procedure, channel: RunChannel): string | undefined =>
  procedure.points.find((point) => point.tolerance === 'zero' && point.channels.includes(channel.role))?.id;

/** The reading that speaks for a point: as left, else as found. */
export const lastAt = (state: RunState, channel: RunChannel, point: string | undefined): RecordedReading | null =>
  point === undefined
    ? null
    : (standingReading(state, { point, channel: channel.id, phase: 'asLeft' }) ??
      standingReading(state, { point, channel: channel.id, phase: 'asFound' }));
