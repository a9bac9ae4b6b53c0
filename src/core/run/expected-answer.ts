import type { CheckItem, Point, Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import type { PlannedStep } from './plan-node';
import { isRefusal } from '../words/refusal';
import { resolveTarget } from './resolve-target';
import type { RunState } from '../record/state';

/** What an answer has to be, where the run knows it: the value of the bottle that stands ready, or the alarm point that was agreed. Null where it doesn't. */
export function expectedAnswer(
  { bad, about }: CheckItem,
  { channel: id }: Pick<PlannedStep, 'channel'>,
  { procedure, state }: { procedure: Procedure; state: RunState },
): string | null {
  if (typeof bad !== 'object' || typeof bad.when !== 'object' || !('differsFrom' in bad.when)) return null;
  const channel = state.channels.find((one) => one.id === id) ?? (state.channels.length === 1 ? state.channels[0] : undefined);
  if (!channel) return null;
  if (bad.when.differsFrom === 'spanTarget') return spanTarget(channel, procedure, state);
  return (about === 'alarmLow' ? channel.alarms?.low : about === 'alarmHigh' ? channel.alarms?.high : null) ?? null;
}

const isSpan = (point: Point, channel: RunChannel) =>
  point.channels.includes(channel.role) && point.target.kind === 'material' && point.target.component === 'channelGas';

function spanTarget(channel: RunChannel, procedure: Procedure, state: RunState): string | null {
  const point = procedure.points.find((one) => isSpan(one, channel));
  const target = point ? resolveTarget({ point, channel, state, inputs: {}, procedure }) : null;
  return target && !isRefusal(target) ? target.value : null;
}
