import { Dec, decimalPlaces } from '../quantity/decimal';
import type { Facts, Frame, FrameReading, Key, Notice } from '../live/said';
import { flatSteps } from '../procedure/flat-steps';
import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { openStimulus, type RunState } from '../record/state';
import { toleranceAt } from '../record/tolerance';
import { walkReading } from '../walk/walk-reading';
import { effectsOn, faultOf, type Effect, type Hidden, type Remedy } from './fault';
import { pointInPlace } from './point-in-place';
import { shownBy, takes, type Mark } from './practice-calibration';
import { practiceFacts, SLOPE_MV } from './practice-facts';

/** How far off it comes to the bench, in tolerances, channel by channel: the third is outside, so that there is something to put right. */
const AS_FOUND = [0.5, -0.4, -1.6, 0.6];
/** The same for a channel that no key adjusts. */
const FOLLOWS_ANOTHER = 0.3;
/** Share of the tolerance by which a zero is off: a sound instrument drifts at its span. */
const AT_ZERO = 0.25;
/** Time constant of a sensor, s: T90 of 23 s, as toxic sensors have (common practice). */
const TAU_SECONDS = 10;

export interface PracticeOptions {
  pumped: boolean;
  hidden?: readonly Hidden[];
  /** How far off each channel comes, in tolerances, by role; the usual where left out. */
  asFound?: Readonly<Record<string, number>>;
  /** It is adjusted by its own keys alone; otherwise by what the sheet records as well. */
  byKeys?: boolean;
}

/**
 * An instrument that has exactly a model's channels, for practice: it follows what the run has on it (gas, liquid, nothing) like a sensor, is a little off until it is adjusted, has the faults that an exercise hides, and
 * shows in steps of its resolution. Time passes by `frame`, exactly for any step of it. Invented, never a claim about any real instrument.
 */
export class PracticeInstrument {
  private seconds = 0;
  private readonly seen = new Map<string, number>();
  private readonly marks = new Map<string, Mark[]>();
  private kept = new Map<string, Mark[]>();
  private hidden: Hidden[];
  private readonly adjustable: ReadonlySet<string>;
  private unsaved = false;
  private followed = 0;
  private pressed = false;
  /** The day that its menu shows as its last calibration; null before the first. */
  lastCalibration: string | null = null;

  constructor(
    private readonly procedure: Procedure,
    private readonly options: PracticeOptions,
  ) {
    this.hidden = [...(options.hidden ?? [])];
    this.adjustable = adjustableRoles(procedure);
  }

  /** Faults that it still has. */
  faults(): readonly Hidden[] {
    return this.hidden;
  }

  /** Share of what it shows by which a channel jumps about. */
  jumpsBy(channel: string): number {
    return this.effects(channel).reduce((sum, one) => sum + (one.jumps ?? 0), 0);
  }

  /** Whether a remedy took a fault away. */
  mend(remedy: Remedy): boolean {
    const before = this.hidden.length;
    this.hidden = this.hidden.filter(({ fault }) => faultOf(fault).remedy !== remedy || remedy === 'service');
    return this.hidden.length < before;
  }

  /** What it shows after so many seconds more, while the run is in this state. */
  frame(state: RunState, seconds: number): Frame {
    this.pass(state, seconds);
    const readings = state.channels.map((channel, index) => this.reading(channel, index));
    const on = state.channels.some((channel, index) => alarms(channel, readings[index]!));
    const reaches = this.effects(null).reduce((share, one) => Math.min(share, one.reaches ?? 1), 1);
    return {
      type: 'frame',
      seconds: Number(this.seconds.toFixed(2)),
      mode: this.unsaved ? 'unsaved' : 'measure',
      readings,
      pump: !this.options.pumped ? 'none' : reaches === 0 && openStimulus(state) ? 'blocked' : 'on',
      alarm: { on, latched: false, sound: on && !this.effects(null).some((one) => one.silent), light: on, vibration: on },
    };
  }

  /** What its menu shows at this moment. */
  facts(state: RunState, now: Date): Facts {
    const { procedure, hidden, lastCalibration } = this;
    return practiceFacts({ procedure, state, hidden, lastCalibration, now });
  }

  /** A key of its own: zero and span set what it sees now to what the label says, and are refused by a sensor that can't; save keeps it. */
  press(state: RunState, { key, slot }: Pick<Key, 'key' | 'slot'>, day: string): Notice[] {
    if (key === 'save') return this.save(day);
    if (key !== 'zero' && key !== 'span') return [];
    this.pressed = true;
    const notices = state.channels.flatMap((channel, index): Notice[] => {
      if (channel.status !== 'fitted' || (slot !== undefined && slot !== index + 1)) return [];
      const target = this.labelOf(state, channel);
      if (target === null) return [];
      const taken =
        !this.effects(channel.id).some((one) => one.absent) && this.take(channel, this.seen.get(channel.id) ?? target, target);
      const notice = key === 'zero' ? (taken ? 'zeroed' : 'zeroFailed') : taken ? 'spanned' : 'spanFailed';
      return [{ type: 'notice', notice, slot: index + 1 }];
    });
    if (!notices.some((one) => one.notice === 'zeroed' || one.notice === 'spanned')) return notices;
    this.unsaved = true;
    // Without a save key of its own in the procedure it keeps what it takes.
    return this.savesItself() ? [...notices, ...this.save(day)] : notices;
  }

  private save(day: string): Notice[] {
    const lost = this.effects(null).some((one) => one.saveLost);
    this.unsaved = false;
    if (lost) {
      this.marks.clear();
      this.kept.forEach((marks, channel) => this.marks.set(channel, marks));
      return [];
    }
    this.kept = new Map([...this.marks].map(([channel, marks]) => [channel, [...marks]]));
    this.lastCalibration = day;
    return [{ type: 'notice', notice: 'saved' }];
  }

  private savesItself(): boolean {
    return !flatSteps(this.procedure.steps).some(({ step }) => step.kind === 'save' && step.evidence !== 'automatic');
  }

  private pass(state: RunState, seconds: number): void {
    this.seconds += seconds;
    if (!this.options.byKeys) this.followRun(state);
    const reaches = this.effects(null).reduce((share, one) => Math.min(share, one.reaches ?? 1), 1);
    const flows = openStimulus(state) !== null;
    for (const [index, channel] of state.channels.entries()) {
      const aim = this.truthOf(state, channel, index);
      const before = this.seen.get(channel.id);
      const effects = this.effects(channel.id);
      const stuck = effects.some((one) => one.stuck) || (flows && reaches === 0);
      if (before === undefined)
        this.seen.set(channel.id, effects.some((one) => one.stuck) ? restOf(channel) : (aim ?? restOf(channel)));
      else if (aim !== null && !stuck) {
        const slower = effects.reduce((times, one) => times * (one.slower ?? 1), 1) / (flows ? Math.max(reaches, 0.01) : 1);
        this.seen.set(channel.id, before + (aim - before) * (1 - Math.exp(-seconds / (TAU_SECONDS * slower))));
      }
    }
  }

  /** Where nobody presses its keys, what the sheet has as adjusted was adjusted. */
  private followRun(state: RunState): void {
    const fresh = state.adjustments.slice(this.followed);
    this.followed = state.adjustments.length;
    if (!this.pressed)
      for (const one of fresh.filter((each) => !each.struck && each.outcome === 'passed'))
        for (const channel of state.channels.filter(({ id }) => one.channels.includes(id)))
          this.marks.set(channel.id, [{ raw: 0, target: 0, exact: true }]);
    this.pressed = this.pressed && fresh.length === 0;
  }

  private take(channel: RunChannel, raw: number, target: number): boolean {
    const range = Number(channel.highest) - Number(channel.lowest);
    const marks = takes(this.marks.get(channel.id) ?? [], { raw, target }, { rest: restOf(channel), range });
    if (marks) this.marks.set(channel.id, marks);
    return marks !== null;
  }

  private reading(channel: RunChannel, index: number): FrameReading {
    const effects = this.effects(channel.id);
    if (effects.some((one) => one.absent)) return { slot: index + 1, text: '', status: 'fault' };
    const raw = this.seen.get(channel.id) ?? restOf(channel);
    const marks = this.marks.get(channel.id) ?? [];
    const jumps = this.jumpsBy(channel.id) * Math.sin(this.seconds * 1.7 + index);
    const shown = shownBy(marks, raw) * (1 + jumps);
    const step = new Dec(channel.resolution);
    const text = new Dec(shown).div(step).toDecimalPlaces(0).times(step);
    const status = text.gt(channel.highest) ? 'over' : 'value';
    const volts = channel.measurand === 'pH' ? { raw: ((7 - raw) * SLOPE_MV).toFixed(1) } : {};
    return {
      slot: index + 1,
      text: status === 'over' ? '' : text.toFixed(decimalPlaces(channel.resolution)).replace(/^-(0(\.0*)?)$/, '$1'),
      status,
      ...volts,
    };
  }

  /** What its sensor comes to: what is there, as it sees it. */
  private truthOf(state: RunState, channel: RunChannel, index: number): number | null {
    const point = pointInPlace(this.procedure, state, channel);
    const text = point && walkReading({ procedure: this.procedure, state, point, channel }, 'good')?.text;
    if (!point || text === undefined) return null;
    const [label, rest] = [Number(text), restOf(channel)];
    const effects = this.effects(channel.id);
    const fromSlot = 'slot' in point.target;
    const value = fromSlot ? rest + (label - rest) * this.labelShare(state, channel, point) : label;
    const zero = point.tolerance === 'zero' || label === 0 || text === channel.cleanAir;
    const limit = Number(toleranceAt({ tolerance: channel.tolerance, target: text, zero }) ?? channel.resolution);
    const exact = this.marks.get(channel.id)?.some((one) => one.exact);
    const gain = effects.reduce((share, one) => share * (one.gain ?? 1), 1);
    const shift = effects.reduce((sum, one) => sum + (one.shift ?? 0) + ((one.creep ?? 0) * this.seconds) / 60 / 10, 0);
    const off = exact ? 0 : this.offOf(channel, index) * (zero ? AT_ZERO : 1);
    return rest + (value - rest) * gain + limit * (shift + off);
  }

  /** How much of what its label says really stands in the place: the bottle that faded, not the one beside it. */
  private labelShare(state: RunState, channel: RunChannel, point: Point): number {
    const bound = state.bindings.findLast((one) => 'slot' in point.target && one.slot === point.target.slot && !one.struck);
    if (bound?.reference.id.endsWith(SPARE)) return 1;
    return this.effects(channel.id).reduce((share, one) => share * (one.label ?? 1), 1);
  }

  private offOf(channel: RunChannel, index: number): number {
    const given = this.options.asFound?.[channel.role];
    if (given !== undefined) return given;
    return this.adjustable.has(channel.role) ? AS_FOUND[index % AS_FOUND.length]! : FOLLOWS_ANOTHER;
  }

  private effects(channel: string | null): Effect[] {
    return effectsOn(this.hidden, channel);
  }

  /** What a key sets it to now: the label's value of what it stands in. */
  private labelOf(state: RunState, channel: RunChannel): number | null {
    const point = pointInPlace(this.procedure, state, channel);
    const text = point && walkReading({ procedure: this.procedure, state, point, channel }, 'good')?.text;
    return text === undefined ? null : Number(text);
  }
}

/** Channels that some step of the procedure adjusts itself: solids that follow from a conductivity are set by it. */
function adjustableRoles({ steps, points }: Procedure): Set<string> {
  const adjusted = new Set(flatSteps(steps).flatMap(({ step }) => (step.kind === 'adjust' ? step.points : [])));
  return new Set(points.filter((one) => adjusted.has(one.id)).flatMap((one) => one.channels));
}

/** A second bottle of the same gas ends its name so. */
export const SPARE = ':spare';

function restOf(channel: RunChannel): number {
  if (channel.measurand === 'pH') return 7;
  return Number(channel.cleanAir ?? 0);
}

function alarms({ alarms: points, measurand, status }: RunChannel, { text, status: shows }: FrameReading): boolean {
  if (status !== 'fitted' || !points?.low || (shows !== 'value' && shows !== 'over')) return false;
  const value = shows === 'over' ? Infinity : Number(text);
  return measurand === 'oxygen'
    ? value < Number(points.low) || value > Number(points.high ?? Infinity)
    : value >= Number(points.low);
}
