import { diagnoseWater } from '@/core/diagnosis/diagnose-water';
import type { WaterFinding } from '@/core/diagnosis/causes/probe-facts';
import { waterFactsOf } from '@/core/diagnosis/water-facts-of';
import { probeKind } from '@/core/probe/probe-kind';
import type { RunChannel } from '@/core/record/event';
import { measuredChannels } from '@/core/record/state';
import { lookOf, type Sheet } from '../sheet';

const SURE = 2;
const STANDS_AFTER_SECONDS = 75;

/** Likely causes for the probes of this run, the likeliest first, and what made somebody ask. Null where nothing is wrong. */
export function probeCauses(sheet: Sheet): { reason: string; causes: WaterFinding[] } | null {
  const { state } = sheet.run;
  if (state.status !== 'open') return null;
  for (const channel of measuredChannels(state)) {
    if (!probeKind(channel.measurand)) continue;
    const facts = waterFactsOf({ procedure: sheet.view.procedure, state, channel, live: liveFacts(sheet, channel) });
    const causes = facts ? diagnoseWater(facts).filter((one) => one.score >= SURE) : [];
    const failed =
      state.adjustments.filter((one) => !one.struck && one.channels.includes(channel.id)).at(-1)?.outcome === 'failed';
    const outside = state.readings.some(
      (one) => one.channel === channel.id && one.flags.length === 0 && one.judgement.state === 'outside' && one.phase !== 'check',
    );
    const strong = causes.some((one) => one.score >= 3.5);
    if (causes.length && (failed || outside || strong))
      return {
        reason: failed
          ? `${channel.label} did not take its calibration.`
          : outside
            ? `${channel.label} outside.`
            : `${channel.label}: something is not as it should be.`,
        causes,
      };
  }
  return null;
}

/** How long it has been on, and how it drifts while it stands. */
function liveFacts(sheet: Sheet, channel: RunChannel): { minutesOn?: number | null; driftPerMinute?: number | null } {
  const look = lookOf(sheet, channel.id);
  const seconds = sheet.live.frame?.seconds;
  const long = look?.lately && look.secondsOfGas !== null && look.secondsOfGas > STANDS_AFTER_SECONDS;
  return {
    ...(seconds === undefined ? {} : { minutesOn: seconds / 60 }),
    // A flutter is no drift.
    ...(long && Math.abs(look.lately!.perMinute) / 4 > look.lately!.spread / 2 ? { driftPerMinute: look.lately!.perMinute } : {}),
  };
}
