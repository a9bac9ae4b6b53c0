import { Dec, greaterOf, parseDecimal } from '../quantity/decimal';
import type { RunChannel } from '../record/event';
import { measuredChannels, type RunState } from '../record/state';

/** Without a tolerance of its own a channel is back within this share of its range (common practice: a digit or two). */
const STEPS = 2;

/**
 * Channels that are not back at zero and clean air by what their displays show; empty: all are back. One that was not looked at is not back.
 *
 * @example
 * notBack(state, { 'c-co': '0', 'c-o2': '20.9' }) // []
 */
export function notBack(state: RunState, shown: Record<string, string>): RunChannel[] {
  return measuredChannels(state).filter((channel) => {
    const text = shown[channel.id]?.trim() ?? '';
    if (!/^[+-]?\d+(\.\d+)?$/.test(text)) return true;
    const rest = new Dec(channel.cleanAir ?? '0');
    const step = new Dec(channel.resolution).times(STEPS);
    const zero = channel.tolerance.zero ? new Dec(channel.tolerance.zero) : step;
    return parseDecimal('reading', text).minus(rest).abs().gt(greaterOf(zero, step));
  });
}
