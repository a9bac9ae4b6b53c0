import { Dec, decimalPlaces } from '../quantity/decimal';
import type { ChannelInfo, Facts, Frame, FrameReading, Key, Notice } from '../live/said';
import { flatSteps } from '../procedure/flat-steps';
import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { openStimulus, type RunState } from '../record/state';
import { toleranceAt } from '../record/tolerance';
import { currentSteps, readPairs } from '../run/plan';
import { walkReading } from '../walk/walk-reading';
import { faultOf, type Effect, type Hidden, type Remedy } from './fault';
import { shownBy, takes, type Mark } from './practice-calibration';

/** How far off it comes to the bench, in tolerances, channel by channel: the third is outside, so that there is something to put right. */
const AS_FOUND = [0.5, -0.4, -1.6, 0.6];
/** The same for a channel that no key adjusts. */
const FOLLOWS_ANOTHER = 0.3;
/** Share of the tolerance by which a zero is off: a sound instrument drifts at its span. */
const AT_ZERO = 0.25;
/** Time constant of a sensor, s: T90 of 23 s, as toxic sensors have (common practice). */
const TAU_SECONDS = 10;
/** A slope that a good electrode has at 25 °C, mV a pH step (Nernst). */
const SLOPE_MV = 59.16;
/** What a sound electrode says of itself: slope, % of Nernst, and seconds to a still reading; and what its own counter has left (common practice). */
const GOOD_SLOPE = 98;
const GOOD_RESPONSE = 20;
const OWN_COUNTER_DAYS = 30;

export const practiceInfos = (channels: readonly RunChannel[], absent: readonly string[] = []): ChannelInfo[] =>
  channels.map((one, index) => ({
    slot: index + 1,
    measurand: one.measurand,
    unit: one.unit,
    resolution: one.resolution,
    lowest: one.lowest ?? '0',
    highest: one.highest ?? '0',
    fitted: one.status === 'fitted' && !absent.includes(one.id),
    ...(one.alarms?.low ? { alarmLow: one.alarms.low } : {}),
    ...(one.alarms?.high ? { alarmHigh: one.alarms.high } : {}),
  }));

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

  /** What its menu shows: clock, last calibration, stored values of the gas that it is for, and what its probe makes of itself. */
  facts(state: RunState, now: Date): Facts {
    const all = this.hidden.map(({ fault }) => faultOf(fault).effect);
    const ahead = all.reduce((sum, one) => sum + (one.clockAheadSeconds ?? 0), 0);
    const probe = (measurands: readonly string[]) => state.channels.find((one) => measurands.includes(one.measurand));
    const [glass, cell] = [probe(['pH']), probe(['conductivity'])];
    const of = (channel: RunChannel | undefined) => (channel ? this.effects(channel.id) : []);
    const gain = of(glass).reduce((share, one) => share * (one.gain ?? 1), 1);
    const shift = of(glass).reduce((sum, one) => sum + (one.shift ?? 0), 0) * Number(glass?.tolerance.absolute ?? '0.1');
    const slower = of(glass).reduce((times, one) => times * (one.slower ?? 1), 1);
    return {
      type: 'facts',
      clock: new Date(now.getTime() + ahead * 1000).toISOString(),
      ...(this.lastCalibration ? { lastCalibration: this.lastCalibration } : {}),
      dueInDays: OWN_COUNTER_DAYS,
      peaks: state.channels.map((one, index) => ({ slot: index + 1, peak: one.cleanAir ?? '0' })),
      spanValues: state.channels.flatMap((one, index) => {
        const point = this.procedure.points.find(
          ({ target, channels }) =>
            channels.includes(one.role) && target.kind === 'material' && target.component === 'channelGas',
        );
        const text = point && walkReading({ procedure: this.procedure, state, point, channel: one }, 'good')?.text;
        return text === undefined ? [] : [{ slot: index + 1, value: text }];
      }),
      probe: {
        serial: 'PRACTICE',
        ...(glass
          ? {
              slopePercent: (GOOD_SLOPE * gain).toFixed(1),
              offsetMv: (-SLOPE_MV * shift).toFixed(1),
              responseSeconds: String(Math.round(GOOD_RESPONSE * slower)),
            }
          : {}),
        ...(cell ? { cellConstant: (1 / of(cell).reduce((share, one) => share * (one.gain ?? 1), 1)).toFixed(3) } : {}),
      },
    };
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
        !this.of(channel.id).some((one) => one.absent) && this.take(channel, this.seen.get(channel.id) ?? target, target);
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
      const effects = this.of(channel.id);
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
    const effects = this.of(channel.id);
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
    const point = this.pointOf(state, channel);
    const text = point && walkReading({ procedure: this.procedure, state, point, channel }, 'good')?.text;
    if (!point || text === undefined) return null;
    const [label, rest] = [Number(text), restOf(channel)];
    const effects = this.of(channel.id);
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
    return this.of(channel.id).reduce((share, one) => share * (one.label ?? 1), 1);
  }

  private offOf(channel: RunChannel, index: number): number {
    const given = this.options.asFound?.[channel.role];
    if (given !== undefined) return given;
    return this.adjustable.has(channel.role) ? AS_FOUND[index % AS_FOUND.length]! : FOLLOWS_ANOTHER;
  }

  private effects(channel: string | null): Effect[] {
    return this.hidden.filter((one) => (one.channel ?? null) === channel).map(({ fault }) => faultOf(fault).effect);
  }
  private of(channel: string): Effect[] {
    return this.effects(channel);
  }

  /** What a key sets it to now: the label's value of what it stands in. */
  private labelOf(state: RunState, channel: RunChannel): number | null {
    const point = this.pointOf(state, channel);
    const text = point && walkReading({ procedure: this.procedure, state, point, channel }, 'good')?.text;
    return text === undefined ? null : Number(text);
  }

  /** What the channel is in at this moment: what the present step compares it with, else what stands open, else nothing but air. */
  private pointOf(state: RunState, channel: RunChannel): Point | undefined {
    const { points } = this.procedure;
    const [present] = currentSteps(this.procedure, state);
    const step = present?.step;
    if (step?.kind === 'read' || step?.kind === 'adjust') {
      const only = step.kind === 'adjust' && step.together ? undefined : present!.channel;
      const pair = readPairs(step, only, this.procedure, state).find((one) => one.channel === channel.id);
      const point = pair && points.find((one) => one.id === pair.point);
      // Its gas was shut meanwhile, or never opened: then there is nothing but air.
      if (point && !(this.isGas(point) && !openStimulus(state))) return point;
    }
    const open = openStimulus(state)?.slot;
    return points.find(
      ({ target, channels }) =>
        channels.includes(channel.role) && (open ? 'slot' in target && target.slot === open : !('slot' in target)),
    );
  }

  /** Gas that the procedure opens and shuts by a step. */
  private isGas({ target }: Point): boolean {
    const slot = 'slot' in target ? this.procedure.slots.find((one) => one.id === target.slot) : undefined;
    const opens = flatSteps(this.procedure.steps).some(
      ({ step }) => step.kind === 'stimulus' && step.on && step.slot === slot?.id,
    );
    return slot?.kind === 'gas' && opens;
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
