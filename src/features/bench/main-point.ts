import type { Procedure } from '@/core/procedure/procedure';
import type { RunChannel } from '@/core/run/event';

/** The point that says most about a channel: the last one that covers it and is compared with a material. */
export function mainPoint(procedure: Procedure, channel: RunChannel): string {
  const covering = procedure.points.filter((point) => point.channels.includes(channel.role));
  return (covering.filter((point) => point.target.kind === 'material').at(-1) ?? covering.at(-1))?.id ?? '';
}
