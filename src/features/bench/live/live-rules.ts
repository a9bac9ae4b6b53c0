import type { ChannelMatch } from '@/core/live/match-channels';
import { IN_TIME, LOOK_SECONDS, type LiveLook, type LiveRule } from '@/core/live/live-channel';
import type { Procedure } from '@/core/procedure/procedure';
import type { Capture } from '@/core/record/evidence';
import type { ResponseCard } from '@/core/stability/response-card';
import { toleranceAt } from '@/core/record/tolerance';
import type { PlannedStep } from '@/core/run/plan-node';
import { isRefusal } from '@/core/words/refusal';
import { resolveTarget } from '@/core/run/resolve-target';
import { openStimulus, type RunState } from '@/core/record/state';
import { mainPoint } from '../main-point';

/** For the width of a tolerance the temperature hardly matters. */
const ABOUT = { temperatureC: '25', low: '6', high: '8' };
/** A probe that will not stand still in a liquid is taken as it is after so long, with its unrest on record. */
const RESTLESS_AFTER_SECONDS = 75;
const DRIFTING_AFTER_SECONDS = 240;
const RESTLESS_WINDOW = 15;

/** What each slot's readings are compared with at this step: tolerance and the change that the gas should make. */
export function rulesFor(
  procedure: Procedure,
  state: RunState,
  present: PlannedStep | undefined,
  match: Record<string, ChannelMatch>,
  responses: Record<string, ResponseCard> = {},
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
    const target = point ? resolveTarget({ point, channel, state, inputs: ABOUT, procedure }) : null;
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
      // Once it was set in this gas its display jumped: that is no response of a sensor.
      ...(responses[channel.role] && !setInGas(state, channel.id) ? { response: responses[channel.role]! } : {}),
    };
  }
  return rules;
}

function setInGas(state: RunState, channel: string): boolean {
  const since = openStimulus(state)?.onSeq ?? Infinity;
  return state.adjustments.some((one) => !one.struck && one.seq > since && one.channels.includes(channel));
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
  { liquid = false }: { liquid?: boolean } = {},
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
      capture: {
        line,
        spread: look.stable.spread,
        windowSeconds: look.stable.windowSeconds,
        ...(look.stable.samples ? { samples: look.stable.samples } : {}),
        ...times,
      },
    };
  // By what is known of its model: proved near enough, or known not to be so in three minutes of gas. Its bound stands in the budget.
  if (look.known && (look.known.settled || (look.known.notInTime && (look.secondsOfGas ?? 0) >= IN_TIME)))
    return {
      text: look.text,
      capture: {
        line,
        spread: look.known.spread,
        windowSeconds: LOOK_SECONDS,
        settling: look.known.bound.toPrecision(3),
        ...times,
      },
    };
  const restless = liquid && phase === 'asFound' ? asItIs(look) : null;
  if (restless)
    return {
      text: restless.text,
      capture: { line, spread: restless.spread, windowSeconds: RESTLESS_WINDOW, perMinute: restless.perMinute, ...times },
    };
  // As-left readings and adjustments use measured gas: they wait for the plateau.
  if (phase === 'asFound' && look.close?.close && look.close.remaining !== null)
    return {
      text: look.text,
      capture: { line, spread: '0', windowSeconds: 0, settling: look.close.remaining.toPrecision(3), ...times },
    };
  return null;
}

/** What it shows although it won't stand still: fluttering is taken soon, a drift that has an end is waited for. */
function asItIs(look: LiveLook): { text: string; spread: string; perMinute: string } | null {
  if (!look.lately || look.secondsOfGas === null) return null;
  const { middle, spread, perMinute } = look.lately;
  const flutters = Math.abs(perMinute) * (RESTLESS_WINDOW / 60) < spread / 2;
  if (look.secondsOfGas < (flutters ? RESTLESS_AFTER_SECONDS : DRIFTING_AFTER_SECONDS)) return null;
  const places = look.text.split('.')[1]?.length ?? 0;
  return {
    text: middle.toFixed(places),
    spread: spread.toFixed(places),
    perMinute: (flutters ? 0 : perMinute).toFixed(places + 1),
  };
}
