import type { Procedure } from '@/core/procedure/procedure';
import { isRefusal } from '@/core/run/refusal';
import { resolveTarget } from '@/core/run/resolve-target';
import { measuredChannels, type RunState } from '@/core/run/state';
import { mainPoint } from './main-point';

/** What each channel has to be set to with the bottle on the bench: the certified value of THIS bottle, on this channel's scale, with the display's digits. */
export function spanValuesOf(procedure: Procedure, state: RunState): Record<string, string> {
  return Object.fromEntries(
    measuredChannels(state).flatMap((channel) => {
      const point = procedure.points.find((one) => one.id === mainPoint(procedure, channel));
      const target = point ? resolveTarget({ point, channel, state, inputs: {}, procedure }) : null;
      return target && !isRefusal(target) && Number(target.value) > 0 ? [[channel.id, target.value]] : [];
    }),
  );
}
