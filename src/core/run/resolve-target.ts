import { measurandOf } from '../measurand';
import type { TargetContext } from '../measurand/measurand';
import type { TargetUsed } from '../record/event';
import type { Refusal } from '../words/refusal';

/**
 * What a reading at this point is compared with, as it stands now: the certified value of THIS bottle, the buffer's value at the measured temperature.
 * Null for a point that is only observed, a refusal where the reference does not serve the channel. The measurand works it out.
 */
export const resolveTarget = (context: TargetContext): TargetUsed | null | Refusal =>
  measurandOf(context.channel.measurand).target(context);
