import type { Procedure } from '@/core/procedure/procedure';
import { isRefusal } from '@/core/words/refusal';
import { resolveTarget } from '@/core/run/resolve-target';
import { measuredChannels, type RunState } from '@/core/record/state';
import { mainPoint } from '../main-point';

/**
 * What each channel has to be set to: the certified value of THIS bottle on this channel's scale, a buffer at the temperature that was just read.
 * `points` are those of the step in hand; without them the point that says most about a channel.
 */
export function spanValuesOf(procedure: Procedure, state: RunState, points: string[] = []): Record<string, string> {
  return Object.fromEntries(
    measuredChannels(state).flatMap((channel) => {
      const asked = procedure.points.find((one) => points.includes(one.id) && one.channels.includes(channel.role));
      const point = asked ?? procedure.points.find((one) => one.id === mainPoint(procedure, channel));
      const inputs =
        state.readings.filter((one) => one.channel === channel.id && one.point === point?.id && one.flags.length === 0).at(-1)
          ?.inputs ?? {};
      const target = point ? resolveTarget({ point, channel, state, inputs, procedure }) : null;
      return target && !isRefusal(target) && Number(target.value) > 0 ? [[channel.id, target.value]] : [];
    }),
  );
}
