import { decimalPlaces } from '@/core/quantity/decimal';
import { estimateFinal, type FinalEstimate } from './estimate-final';
import { gasMayClose, type CloseAdvice } from './gas-may-close';
import { PlateauStream } from './plateau-stream';
import { ResponseRecorder } from './response-recorder';
import { timeToShare } from '@/core/stability/response-times';

export interface LiveRule {
  resolution: string;
  /** Tolerance at the present target; the display step alone counts where there is none. */
  tolerance: number | null;
  /** What the gas should change it by; null while no gas is applied. */
  expectedChange: number | null;
}

export interface StableReading {
  text: string;
  spread: string;
  windowSeconds: number;
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

/**
 * One channel of a live line: settled or not, response times, early estimate. Memory is bounded, whatever the time it runs. Time in s, rising; values in the channel's unit.
 * A reading without a number starts the plateau anew. Errors: RangeError for an impossible rule.
 *
 * @example
 * const channel = new LiveChannel({ resolution: '1', tolerance: 5, expectedChange: null }); channel.push(0.25, '0', 'value', null); channel.look()
 */
export class LiveChannel {
  private plateau: PlateauStream;
  private recorder = new ResponseRecorder(256);
  private response = new ResponseRecorder(256);
  private gasAt: number | null = null;
  private before: number | null = null;
  private last: { seconds: number; text: string; status: LiveLook['status']; raw: string | null } | null = null;
  private recent: { seconds: number; value: number }[] = [];

  constructor(private rule: LiveRule) {
    this.plateau = this.fresh();
  }

  /** Another point or tolerance: what was seen stays. */
  setRule(rule: LiveRule): void {
    if (rule.resolution === this.rule.resolution && rule.tolerance === this.rule.tolerance) {
      this.rule = rule;
      return;
    }
    this.rule = rule;
    this.plateau = this.fresh();
    for (const { seconds, value } of this.recent) this.plateau.push(seconds, value);
  }

  /** Gas on (a time) or off (null). */
  gas(seconds: number | null): void {
    if (seconds === this.gasAt) return;
    this.gasAt = seconds;
    this.response = new ResponseRecorder(256);
    const earlier = this.recent.filter((one) => seconds === null || one.seconds <= seconds);
    this.before = seconds === null ? null : (earlier.at(-1)?.value ?? this.recent[0]?.value ?? null);
    if (seconds !== null)
      this.recent.filter((one) => one.seconds > seconds).forEach((one) => this.response.push(one.seconds - seconds, one.value));
    this.plateau = this.fresh();
  }

  push(seconds: number, text: string, status: LiveLook['status'], raw: string | null): void {
    if (this.last && !(seconds > this.last.seconds)) return;
    this.last = { seconds, text, status, raw };
    const value = status === 'value' ? Number(text) : null;
    if (value === null || !Number.isFinite(value)) {
      this.plateau = this.fresh();
      this.recent = [];
      return;
    }
    this.plateau.push(seconds, value);
    this.recorder.push(seconds, value);
    this.recent.push({ seconds, value });
    const edge = seconds - Math.max(30, WINDOW_SECONDS);
    if (this.recent.length > 64 && this.recent[32]!.seconds < edge) this.recent.splice(0, 32);
    if (this.recent.length > 600) this.recent.splice(0, 300);
    if (this.gasAt !== null && seconds > this.gasAt) this.response.push(seconds - this.gasAt, value);
  }

  /** `early: false` leaves the estimate out: as-left readings wait for the plateau anyhow. */
  look({ early = true }: { early?: boolean } = {}): LiveLook | null {
    if (!this.last) return null;
    const { text, status, raw, seconds } = this.last;
    const since = this.gasAt === null ? null : Math.max(0, seconds - this.gasAt);
    const stable = this.stable(since);
    const samples = this.response.samples();
    const final = stable && since !== null ? Number(stable.text) : null;
    const moved = this.before !== null && final !== null && Math.abs(final - this.before) >= 3 * Number(this.rule.resolution);
    const share = (part: number) => (moved ? timeToShare({ samples, initial: this.before!, final: final!, share: part }) : null);
    // Once it stands still nobody needs to be told where it will.
    const estimate = stable || !early ? null : this.estimate(since, samples);
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
      close:
        estimate && this.rule.tolerance && status === 'value'
          ? gasMayClose({ estimate, displayed: Number(text), tolerance: this.rule.tolerance, share: CLOSE_SHARE })
          : null,
      lately: this.lately(),
      trace: thin(this.recorder.samples() as { seconds: number; value: number }[]),
    };
  }

  private stable(since: number | null): StableReading | null {
    const plateau = this.plateau.present();
    if (!plateau || this.last!.status !== 'value') return null;
    if (since !== null) {
      if (since < SETTLES_AFTER) return null;
      const expected = Math.abs(this.rule.expectedChange ?? 0);
      const change = this.before === null ? Infinity : Math.abs(plateau.value - this.before);
      if (expected > 0 && change < expected / 2 && since < GIVES_UP_AFTER) return null;
    }
    const window = this.recent.filter((one) => one.seconds > this.last!.seconds - WINDOW_SECONDS);
    const values = window.map((one) => one.value);
    const places = decimalPlaces(this.rule.resolution);
    return {
      text: plateau.value.toFixed(places),
      spread: (Math.max(...values) - Math.min(...values)).toFixed(places),
      windowSeconds: WINDOW_SECONDS,
    };
  }

  /** Half of the window against the other half tells a slope from a flutter. */
  private lately(): LiveLook['lately'] {
    const window = this.recent.filter((one) => one.seconds > this.last!.seconds - WINDOW_SECONDS);
    const [first, last] = [window[0], window.at(-1)];
    if (!first || !last || window.length < 8 || last.seconds - first.seconds < WINDOW_SECONDS / 2) return null;
    const values = window.map((one) => one.value);
    const sorted = [...values].sort((a, b) => a - b);
    const mean = (part: number[]) => part.reduce((sum, one) => sum + one, 0) / part.length;
    const half = Math.floor(values.length / 2);
    return {
      middle: sorted[half]!,
      spread: sorted.at(-1)! - sorted[0]!,
      perMinute: ((mean(values.slice(half)) - mean(values.slice(0, half))) / ((last.seconds - first.seconds) / 2)) * 60,
    };
  }

  private estimate(since: number | null, samples: readonly { seconds: number; value: number | null }[]): FinalEstimate | null {
    if (since === null || samples.length < 16) return null;
    return estimateFinal({
      samples,
      resolution: Number(this.rule.resolution),
      expectedChange: this.rule.expectedChange ?? 0,
    });
  }

  private fresh(): PlateauStream {
    const step = Number(this.rule.resolution);
    const tolerance = this.rule.tolerance ?? 0;
    return new PlateauStream({
      windowSeconds: WINDOW_SECONDS,
      maxSpread: Math.max(2 * step, 0.25 * tolerance),
      // What may still come at the end of a slow part is slope times its time constant: held under a quarter of the tolerance for about a minute.
      maxSlopePerMinute: Math.max(2 * step, 0.2 * tolerance),
    });
  }
}

const round = (seconds: number | null) => (seconds === null ? null : Math.round(seconds * 10) / 10);

function thin(samples: { seconds: number; value: number }[]): { seconds: number; value: number }[] {
  if (samples.length <= TRACE_POINTS) return samples.slice();
  const every = samples.length / TRACE_POINTS;
  return Array.from(
    { length: TRACE_POINTS },
    (_one, index) => samples[Math.min(samples.length - 1, Math.floor((index + 1) * every) - 1)]!,
  );
}
