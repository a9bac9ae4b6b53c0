import { Dec, decimalPlaces } from '../quantity/decimal';
import type { ChannelInfo, Frame, FrameReading } from '../live/said';
import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { openStimulus, type RunState } from '../record/state';
import { toleranceAt } from '../record/tolerance';
import { currentSteps, plan, readPairs } from '../run/plan';
import { walkReading } from '../walk/walk-reading';

/** How far off it comes to the bench, in tolerances, channel by channel: the third is outside, so that there is something to put right. */
const AS_FOUND = [0.5, -0.4, -1.6, 0.6];
/** The same for a channel that no key adjusts. */
const FOLLOWS_ANOTHER = 0.3;
/** Share of the tolerance by which a zero is off: a sound instrument drifts at its span. */
const AT_ZERO = 0.25;
/** Time constant of a sensor, s: T90 of 23 s, as toxic sensors have (common practice). */
const TAU_SECONDS = 10;

export const practiceInfos = (channels: readonly RunChannel[]): ChannelInfo[] =>
  channels.map((one, index) => ({
    slot: index + 1,
    measurand: one.measurand,
    unit: one.unit,
    resolution: one.resolution,
    lowest: one.lowest ?? '0',
    highest: one.highest ?? '0',
    fitted: one.status === 'fitted',
    ...(one.alarms?.low ? { alarmLow: one.alarms.low } : {}),
    ...(one.alarms?.high ? { alarmHigh: one.alarms.high } : {}),
  }));

/**
 * The display of an instrument that has exactly a model's channels, for practice: it follows what the run has on it (gas, liquid, nothing) like a sensor, is a little off until it is adjusted, and shows in steps of its
 * resolution. Invented, never a claim about any real instrument.
 */
export class PracticeDisplay {
  private seconds = 0;
  private readonly shown = new Map<string, Dec>();

  constructor(
    private readonly procedure: Procedure,
    private readonly pumped: boolean,
  ) {}

  /** What it shows after so many seconds more, while the run is in this state. */
  frame(state: RunState, seconds: number): Frame {
    this.seconds += seconds;
    const follow = 1 - Math.exp(-seconds / TAU_SECONDS);
    const readings = state.channels.map((channel, index): FrameReading => {
      const aim = this.aimOf(state, channel, index) ?? this.shown.get(channel.id) ?? new Dec(0);
      const before = this.shown.get(channel.id);
      const now = before ? before.plus(aim.minus(before).times(follow)) : aim;
      this.shown.set(channel.id, now);
      const step = new Dec(channel.resolution);
      const text = now.div(step).toDecimalPlaces(0).times(step).toFixed(decimalPlaces(channel.resolution));
      return { slot: index + 1, text: text.replace(/^-(0(\.0*)?)$/, '$1'), status: 'value' };
    });
    return {
      type: 'frame',
      seconds: Number(this.seconds.toFixed(2)),
      mode: 'measure',
      readings,
      pump: this.pumped ? 'on' : 'none',
      alarm: { on: false, latched: false, sound: false, light: false, vibration: false },
    };
  }

  private aimOf(state: RunState, channel: RunChannel, index: number): Dec | null {
    const point = this.pointOf(state, channel);
    const truth = point && walkReading({ procedure: this.procedure, state, point, channel }, 'good');
    if (!point || !truth) return null;
    const value = new Dec(truth.text);
    const adjusted = state.adjustments.some(
      (one) => !one.struck && one.outcome === 'passed' && one.channels.includes(channel.id),
    );
    if (adjusted) return value;
    const zero = point.tolerance === 'zero' || value.isZero() || truth.text === channel.cleanAir;
    const limit = toleranceAt({ tolerance: channel.tolerance, target: truth.text, zero });
    const off = this.isAdjustable(state, channel) ? AS_FOUND[index % AS_FOUND.length]! : FOLLOWS_ANOTHER;
    return value.plus(new Dec(limit).times((zero ? AT_ZERO : 1) * off));
  }

  /** Whether any step of the run adjusts the channel itself: solids that follow from a conductivity are set by it. */
  private isAdjustable(state: RunState, { id }: RunChannel): boolean {
    return plan(this.procedure, state).some(
      ({ step, channel }) =>
        step.kind === 'adjust' &&
        readPairs(step, step.together ? undefined : channel, this.procedure, state).some((one) => one.channel === id),
    );
  }

  /** What the channel is in at this moment: what the present step compares it with, else what stands open, else nothing but air. */
  private pointOf(state: RunState, channel: RunChannel): Point | undefined {
    const { points } = this.procedure;
    const [present] = currentSteps(this.procedure, state);
    const step = present?.step;
    if (step?.kind === 'read' || step?.kind === 'adjust') {
      const pairs = readPairs(
        step,
        step.kind === 'adjust' && step.together ? undefined : present!.channel,
        this.procedure,
        state,
      );
      const pair = pairs.find((one) => one.channel === channel.id);
      if (pair) return points.find((one) => one.id === pair.point);
    }
    const open = openStimulus(state)?.slot;
    return points.find(({ target }) => (open ? 'slot' in target && target.slot === open : !('slot' in target)));
  }
}
