import { displayNumber } from './display-number';
import { RecentReadings } from './recent-readings';
import { decimalPlaces } from '../quantity/decimal';
import { estimateFinal, type FinalEstimate } from '../stability/estimate-final';
import { gasMayClose, type CloseAdvice } from '../stability/gas-may-close';
import type { ResponseCard } from '../stability/response-card';
import { SettledBelief, SURE } from '../stability/settled-belief';
import type { Plateau, PlateauRule } from '../stability/plateau-stream';
import { ResponseRecorder } from '../stability/response-recorder';
import { timeToShare } from '../stability/response-times';
import { windowPlateau } from '../stability/window-plateau';
import { windowSamples, type WindowSamples } from '../stability/window-samples';

export interface LiveRule {
  resolution: string;
  /** Tolerance at the present target; the display step alone counts where there is none. */
  tolerance: number | null;
  /** What the gas should change it by; null while no gas is applied. */
  expectedChange: number | null;
  /** What is known of how the sensors of its model come to their readings. */
  response?: ResponseCard;
}

export interface StableReading {
  text: string;
  spread: string;
  windowSeconds: number;
  /** Null where the display did not move at all. */
  samples: WindowSamples | null;
}

export interface Known {
  /** Distance of the final value from the figure shown, at most, with 95 % confidence. */
  bound: number;
  /** The bound is under a quarter of the tolerance. */
  settled: boolean;
  /** It will not be in three minutes of gas. */
  notInTime: boolean;
  spread: string;
}

/** What one channel is doing now. Times in s of the instrument's own clock. */
export interface LiveLook {
  text: string;
  status: 'value' | 'over' | 'under' | 'fault';
  raw: string | null;
  stable: StableReading | null;
  /** Value when gas came. */
  before: number | null;
  secondsOfGas: number | null;
  t50Seconds: number | null;
  t90Seconds: number | null;
  estimate: FinalEstimate | null;
  /** By what is known of its model: how much may still come, and whether that is little enough; null where nothing is known, or too little was seen. */
  known: Known | null;
  close: CloseAdvice | null;
  /** The last seconds as they are, settled or not: middle, highest less lowest, and the slope a minute; null with too little to tell. */
  lately: { middle: number; spread: number; perMinute: number } | null;
  trace: { seconds: number; value: number }[];
}

const WINDOW_SECONDS = 15;
/** After gas comes nothing counts as settled before this: dead volume and hand on the valve. */
const SETTLES_AFTER = 20;
/** A channel that has not moved by then will not: it is stable where it is (poisoned, stuck, no gas). */
const GIVES_UP_AFTER = 45;
/** Largest settling error, as a share of the tolerance, at which closing is proposed. */
export const CLOSE_SHARE = 0.25;
const TRACE_POINTS = 120;
/** Readings that may wait to be handed on. */
const HAND_ON_AFTER = 64;
/** Seconds between two early estimates. */
const ESTIMATE_EVERY = 1;
/** Nobody opens gas for longer than this for a reading. */
export const IN_TIME = 180;
/** By so much may the probability fall before what was settled is no longer. */
const HOLDS = 0.2;
/** Unrest of what is taken by belief is looked for in so many seconds: over more of them it was still coming. */
export const LOOK_SECONDS = 5;

/**
 * One channel of a live line: settled or not, response times, early estimate. Memory is bounded, whatever the time it runs. Time in s, rising; values in the channel's unit.
 * A reading without a number starts the plateau anew. Errors: RangeError for an impossible rule.
 *
 * @example
 * const channel = new LiveChannel({ resolution: '1', tolerance: 5, expectedChange: null }); channel.push(0.25, '0', 'value', null); channel.look()
 */
export class LiveChannel {
  private plateau: PlateauRule;
  /** Readings up to this time are no part of a plateau. */
  private plateauAfter = -Infinity;
  private quiet = false;
  private recorder = new ResponseRecorder(256);
  private response = new ResponseRecorder(256);
  private gasAt: number | null = null;
  private before: number | null = null;
  private seconds = -Infinity;
  private text = '';
  private status: LiveLook['status'] = 'value';
  private raw: string | null = null;
  /** What the text means: a display that stands still says the same text again and again. */
  private value: number | null = null;
  private recent = new RecentReadings(Math.max(30, WINDOW_SECONDS));
  /** How many of them were not yet handed on. */
  private waiting = 0;
  private estimated: { at: number; estimate: FinalEstimate | null } | null = null;
  private belief: SettledBelief | null = null;
  private held = false;

  constructor(private rule: LiveRule) {
    this.plateau = plateauRule(rule);
  }

  /** Another point or tolerance: what was seen stays. */
  setRule(rule: LiveRule): void {
    this.handOn();
    const inGas = (one: LiveRule) => one.expectedChange !== null;
    const card = (one: LiveRule) => JSON.stringify(one.response ?? null);
    const other = card(rule) !== card(this.rule) || inGas(rule) !== inGas(this.rule);
    if (rule.resolution === this.rule.resolution && rule.tolerance === this.rule.tolerance && inGas(rule) === inGas(this.rule)) {
      this.rule = rule;
      if (other) this.believe();
      return;
    }
    this.rule = rule;
    this.estimated = null;
    if (other) this.believe();
    this.plateau = plateauRule(rule);
    this.beginAnew(-Infinity);
  }

  /** Gas on (a time) or off (null). */
  gas(seconds: number | null): void {
    if (seconds === this.gasAt) return;
    this.handOn();
    this.gasAt = seconds;
    this.response.clear();
    this.estimated = null;
    this.before = seconds === null ? null : this.recent.valueAt(seconds);
    if (seconds !== null)
      this.recent.each((at, value) => {
        if (at > seconds) this.response.push(at - seconds, value);
      });
    this.beginAnew(this.seconds);
    this.believe();
  }

  private beginAnew(after: number): void {
    this.plateauAfter = after;
    this.quiet = false;
  }

  /** The belief of a gas begins when it comes. */
  private believe(): void {
    this.held = false;
    this.belief = null;
    const { response, expectedChange, resolution } = this.rule;
    if (this.gasAt === null || this.before === null || !response || expectedChange === null) return;
    const belief = new SettledBelief({ before: this.before, resolution: Number(resolution), card: response });
    const gasAt = this.gasAt;
    this.recent.each((seconds, value) => {
      if (seconds > gasAt) belief.push(seconds - gasAt, value);
    });
    this.belief = belief;
  }

  push(seconds: number, text: string, status: LiveLook['status'], raw: string | null): void {
    if (!(seconds > this.seconds)) return;
    this.seconds = seconds;
    this.raw = raw;
    if (text !== this.text || status !== this.status) {
      this.text = text;
      this.status = status;
      const read = status === 'value' ? displayNumber(text) : NaN;
      this.value = Number.isFinite(read) ? read : null;
    }
    const value = this.value;
    if (value === null) {
      this.handOn();
      this.beginAnew(seconds);
      this.recent.clear();
      return;
    }
    this.recent.push(seconds, value);
    this.waiting += 1;
    if (this.waiting >= HAND_ON_AFTER) this.handOn();
  }

  /** Passes readings on in one go, before anybody looks and every now and then: a line says ten a second for each channel, and few are looked at singly. */
  private handOn(): void {
    const { recent, recorder, response, belief, gasAt } = this;
    const { times, values, end } = recent;
    const first = end - this.waiting;
    this.waiting = 0;
    for (let i = first; i < end; i += 1) recorder.push(times[i]!, values[i]!);
    if (gasAt === null) return;
    for (let i = first; i < end; i += 1) {
      const since = times[i]! - gasAt;
      if (since <= 0) continue;
      response.push(since, values[i]!);
      belief?.push(since, values[i]!);
    }
  }

  /** `early: false` leaves the estimate out: as-left readings wait for the plateau anyhow. */
  look({ early = true }: { early?: boolean } = {}): LiveLook | null {
    if (this.seconds === -Infinity) return null;
    this.handOn();
    const { text, status, raw, seconds } = this;
    const since = this.gasAt === null ? null : Math.max(0, seconds - this.gasAt);
    const plateau = this.present();
    const known = this.known(since);
    // Where the model is known a still display alone proves nothing: a slow part stands still too.
    const stable = known && !known.settled ? null : this.stable(plateau, since);
    const final = stable && since !== null ? Number(stable.text) : null;
    const moved = this.before !== null && final !== null && Math.abs(final - this.before) >= 3 * Number(this.rule.resolution);
    const share = (part: number) =>
      moved ? timeToShare({ samples: this.response.samples(), initial: this.before!, final: final!, share: part }) : null;
    // Once it stands still nobody needs to be told where it will.
    const estimate = stable || !early ? null : this.estimate(since);
    return {
      text,
      status,
      raw,
      stable,
      before: this.before,
      secondsOfGas: since,
      t50Seconds: round(share(0.5)),
      t90Seconds: round(share(0.9)),
      estimate,
      known,
      close:
        estimate && this.rule.tolerance && status === 'value'
          ? gasMayClose({ estimate, displayed: Number(text), tolerance: this.rule.tolerance, share: CLOSE_SHARE })
          : null,
      lately: this.lately(),
      trace: thin(this.recorder),
    };
  }

  private known(since: number | null): Known | null {
    const { tolerance, resolution, expectedChange } = this.rule;
    if (!this.belief || since === null || since < SETTLES_AFTER || !tolerance || this.status !== 'value') return null;
    const displayed = Number(this.text);
    // A channel that barely moves is no response: it is looked at for as long as any other.
    if (Math.abs(displayed - this.before!) < Math.abs(expectedChange ?? 0) / 2 && since < GIVES_UP_AFTER) return null;
    const within = CLOSE_SHARE * tolerance;
    const look = this.belief.look({ displayed, within });
    if (!look) return null;
    // What was settled stays so until much less speaks for it: a digit that flickers is no reason.
    this.held = look.probability >= (this.held ? SURE - HOLDS : SURE);
    const values = this.recent.valuesSince(this.seconds - LOOK_SECONDS);
    return {
      bound: look.probability >= SURE ? within : look.bound,
      settled: this.held,
      notInTime: !this.held && (look.expectedAt === null || look.expectedAt > IN_TIME),
      spread: (Math.max(...values) - Math.min(...values)).toFixed(decimalPlaces(resolution)),
    };
  }

  private present(): Plateau | null {
    const { times, values, start, end } = this.recent;
    const from = Math.max(start, this.recent.firstAfter(this.plateauAfter));
    const plateau = windowPlateau({ times, values, start: from, end }, this.plateau, this.quiet);
    this.quiet = plateau !== null;
    return plateau;
  }

  private stable(plateau: Plateau | null, since: number | null): StableReading | null {
    if (!plateau || this.status !== 'value') return null;
    if (since !== null) {
      if (since < SETTLES_AFTER) return null;
      const expected = Math.abs(this.rule.expectedChange ?? 0);
      const change = this.before === null ? Infinity : Math.abs(plateau.value - this.before);
      if (expected > 0 && change < expected / 2 && since < GIVES_UP_AFTER) return null;
    }
    const values = this.recent.valuesSince(this.seconds - WINDOW_SECONDS);
    const places = decimalPlaces(this.rule.resolution);
    return {
      text: plateau.value.toFixed(places),
      spread: (Math.max(...values) - Math.min(...values)).toFixed(places),
      windowSeconds: WINDOW_SECONDS,
      samples: windowSamples(values),
    };
  }

  /** Half of the window against the other half tells a slope from a flutter. */
  private lately(): LiveLook['lately'] {
    const span = this.recent.spanSince(this.seconds - WINDOW_SECONDS);
    const values = this.recent.valuesSince(this.seconds - WINDOW_SECONDS);
    if (!span || values.length < 8 || span.last - span.first < WINDOW_SECONDS / 2) return null;
    const sorted = Float64Array.from(values).sort();
    const mean = (part: number[]) => part.reduce((sum, one) => sum + one, 0) / part.length;
    const half = Math.floor(values.length / 2);
    return {
      middle: sorted[half]!,
      spread: sorted.at(-1)! - sorted[0]!,
      perMinute: ((mean(values.slice(half)) - mean(values.slice(0, half))) / ((span.last - span.first) / 2)) * 60,
    };
  }

  /** Made anew once a second of the instrument's clock: it changes no faster, and fitting it is by far the dearest part of a look. */
  private estimate(since: number | null): FinalEstimate | null {
    if (since === null || this.response.length < 16) return null;
    if (!this.estimated || this.seconds - this.estimated.at >= ESTIMATE_EVERY) {
      const { resolution, expectedChange } = this.rule;
      const estimate = estimateFinal({
        samples: this.response.samples(),
        resolution: Number(resolution),
        expectedChange: expectedChange ?? 0,
      });
      this.estimated = { at: this.seconds, estimate };
    }
    return this.estimated.estimate;
  }
}

function plateauRule({ resolution, tolerance: given, expectedChange }: LiveRule): PlateauRule {
  const step = Number(resolution);
  const tolerance = given ?? 0;
  return {
    windowSeconds: WINDOW_SECONDS,
    // A restless signal in gas is judged by its slope: half of the spread that it was read with stands in its budget. A restless liquid is a finding of its own.
    maxSpread: expectedChange === null ? Math.max(2 * step, 0.25 * tolerance) : Math.max(3 * step, 0.6 * tolerance),
    // What may still come at the end of a slow part is slope times its time constant: held under a quarter of the tolerance for about a minute.
    maxSlopePerMinute: Math.max(2 * step, 0.2 * tolerance),
    // One digit up in the middle of the window is a slope of 1.5 steps a window (least squares): no reason to call it unsettled again.
    hold: { slope: Math.max(1, (3 * step * (60 / WINDOW_SECONDS)) / Math.max(2 * step, 0.2 * tolerance)), spread: 1.5 },
  };
}

const round = (seconds: number | null) => (seconds === null ? null : Math.round(seconds * 10) / 10);

function thin(recorder: ResponseRecorder): { seconds: number; value: number }[] {
  const { length } = recorder;
  if (length <= TRACE_POINTS) return recorder.samples() as { seconds: number; value: number }[];
  const every = length / TRACE_POINTS;
  return Array.from({ length: TRACE_POINTS }, (_one, index) =>
    recorder.at(Math.min(length - 1, Math.floor((index + 1) * every) - 1)),
  );
}
