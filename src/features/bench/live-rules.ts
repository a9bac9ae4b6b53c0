import type { ChannelMatch } from '@/core/instrument/match-channels';
import type { LiveLook, LiveRule } from '@/core/live/live-channel';
import type { Procedure } from '@/core/procedure/procedure';
import type { Capture } from '@/core/run/evidence';
import { toleranceAt } from '@/core/run/judge';
import type { PlannedStep } from '@/core/run/plan';
import { isRefusal } from '@/core/run/refusal';
import { resolveTarget } from '@/core/run/resolve-target';
import { openStimulus, type RunState } from '@/core/run/state';
import { mainPoint } from './main-point';

/** What each slot's readings are compared with at this step: tolerance and the change that the gas should make. */
export function rulesFor(
  procedure: Procedure,
  state: RunState,
  present: PlannedStep | undefined,
  match: Record<string, ChannelMatch>,
): Record<number, LiveRule> {
  const gas = openStimulus(state);
  const rules: Record<number, LiveRule> = {};
  for (const channel of state.channels) {
    const slot = slotOf(match, channel.id);
    if (slot === null) continue;
    const asked = present?.step.kind === 'read' || present?.step.kind === 'adjust' ? present.step.points : [];
    const id =
      asked.find((one) => procedure.points.find((point) => point.id === one)?.channels.includes(channel.role)) ??
      mainPoint(procedure, channel);
    const point = procedure.points.find((one) => one.id === id);
    const target = point ? resolveTarget({ point, channel, state, inputs: {}, procedure }) : null;
    const value = target && !isRefusal(target) ? Number(target.value) : null;
    const tolerance =
      typeof point?.tolerance === 'object'
        ? Number(point.tolerance.limit)
        : value === null
          ? null
          : Number(toleranceAt({ tolerance: channel.tolerance, target: String(value), zero: point?.tolerance === 'zero' }));
    const rest = Number(channel.cleanAir ?? 0);
    const isGas = gas !== null && procedure.slots.find((one) => one.id === gas.slot)?.kind === 'gas';
    rules[slot] = {
      resolution: channel.resolution,
      tolerance: tolerance !== null && tolerance > 0 ? tolerance : null,
      expectedChange: isGas && value !== null ? value - rest : null,
    };
  }
  return rules;
}

export function slotOf(match: Record<string, ChannelMatch>, channel: string): number | null {
  const found = match[channel];
  return found && 'slot' in found ? found.slot : null;
}

/**
 * What a press of the capture key would take of a channel: the settled value, or, as found only, the value shown as soon as what may still come is proved small.
 * Null while neither holds.
 */
export function capturable(
  look: LiveLook | undefined,
  line: string,
  phase: 'asFound' | 'adjustment' | 'check' | 'asLeft',
): { text: string; capture: Capture } | null {
  if (!look || look.status !== 'value') return null;
  const times = {
    ...(look.t50Seconds === null ? {} : { t50Seconds: look.t50Seconds }),
    ...(look.t90Seconds === null ? {} : { t90Seconds: look.t90Seconds }),
    ...(look.raw === null ? {} : { raw: look.raw }),
  };
  if (look.stable)
    return {
      text: look.stable.text,
      capture: { line, spread: look.stable.spread, windowSeconds: look.stable.windowSeconds, ...times },
    };
  // As-left readings and adjustments use measured gas: they wait for the plateau.
  if (phase === 'asFound' && look.close?.close && look.close.remaining !== null)
    return {
      text: look.text,
      capture: { line, spread: '0', windowSeconds: 0, settling: look.close.remaining.toPrecision(3), ...times },
    };
  return null;
}
