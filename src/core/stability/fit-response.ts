import type { Sample } from './sample';

export interface Response {
  initial: number;
  final: number;
  tauSeconds: number;
  t50Seconds: number;
  t90Seconds: number;
}

/**
 * First-order response by least squares: value = final + (initial - final) · e^(-t/τ), gas on at 0 s.
 * Unit: that of the values; samples in time order, from 0 s on, null for a missing value. T50 and T90 count from gas on.
 * Null where nothing can be said: fewer than six readings, no change beyond the noise, or a curve that has not bent yet (τ longer than the trace).
 * Errors: RangeError for values or times that are not finite, before 0 s, or do not rise. Source: first-order step response; T90 = ln 10 · τ, T50 = ln 2 · τ.
 *
 * @example
 * fitResponse({ samples: [0, 5, 10, 15, 20, 30, 60].map((seconds) => ({ seconds, value: 50 * (1 - Math.exp(-seconds / 10)) })) })?.tauSeconds // 10.0
 */
export function fitResponse({ samples }: { samples: readonly Sample[] }): Response | null {
  const readings = checked(samples);
  if (readings.length < 6) return null;
  const duration = readings[readings.length - 1]!.seconds;
  const shortest = Math.min(...readings.slice(1).map((reading, i) => reading.seconds - readings[i]!.seconds)) / 4;
  let best = Infinity;
  let bestLog = 0;
  const [from, to] = [Math.log(Math.max(shortest, duration / 1e4)), Math.log(duration * 10)];
  for (let i = 0; i <= 60; i += 1) {
    const log = from + ((to - from) * i) / 60;
    const { squares } = linearPart(readings, Math.exp(log));
    if (squares < best) [best, bestLog] = [squares, log];
  }
  const tauSeconds = Math.exp(
    goldenMinimum((log) => linearPart(readings, Math.exp(log)).squares, bestLog - (to - from) / 60, bestLog + (to - from) / 60),
  );
  const { final, change, squares } = linearPart(readings, tauSeconds);
  const noise = Math.sqrt(squares / (readings.length - 3));
  const scale = Math.max(...readings.map((reading) => Math.abs(reading.value)), 1e-12);
  if (Math.abs(change) <= Math.max(4 * noise, 1e-9 * scale) || tauSeconds > duration) return null;
  return { initial: final - change, final, tauSeconds, t50Seconds: Math.LN2 * tauSeconds, t90Seconds: Math.LN10 * tauSeconds };
}

interface Reading {
  seconds: number;
  value: number;
}

function checked(samples: readonly Sample[]): Reading[] {
  let last = -Infinity;
  return samples.flatMap(({ seconds, value }, index) => {
    if (!Number.isFinite(seconds) || seconds < 0 || seconds <= last)
      throw new RangeError(`samples[${index}].seconds must rise from 0, got ${seconds}`);
    if (value !== null && !Number.isFinite(value))
      throw new RangeError(`samples[${index}].value must be finite or null, got ${value}`);
    last = seconds;
    return value === null ? [] : [{ seconds, value }];
  });
}

/** Final value and change that fit best for a given τ: an ordinary line in e^(-t/τ). */
function linearPart(readings: Reading[], tau: number): { final: number; change: number; squares: number } {
  let [n, sx, sy, sxx, sxy] = [0, 0, 0, 0, 0];
  for (const { seconds, value } of readings) {
    const x = Math.exp(-seconds / tau);
    n += 1;
    sx += x;
    sy += value;
    sxx += x * x;
    sxy += x * value;
  }
  const spread = n * sxx - sx * sx;
  const slope = spread > 1e-15 * n * n ? (n * sxy - sx * sy) / spread : 0;
  const final = (sy - slope * sx) / n;
  let squares = 0;
  for (const { seconds, value } of readings) squares += (value - final - slope * Math.exp(-seconds / tau)) ** 2;
  return { final, change: -slope, squares };
}

function goldenMinimum(f: (x: number) => number, from: number, to: number): number {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [from, to];
  for (let i = 0; i < 50; i += 1) {
    const c = b - ratio * (b - a);
    const d = a + ratio * (b - a);
    if (f(c) < f(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}
