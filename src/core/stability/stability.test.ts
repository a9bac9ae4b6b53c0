import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { detectPlateau } from './detect-plateau';
import { fitResponse } from './fit-response';
import { gasMayClose } from './gas-may-close';
import { mostShown } from './most-shown';
import { nonNegativeFit } from './non-negative-fit';
import { PlateauStream } from './plateau-stream';
import { ResponseRecorder } from './response-recorder';
import { timeToShare } from './response-times';

const step = (tau: number, final = 50, every = 1, until = 120) =>
  Array.from({ length: until / every + 1 }, (_unused, i) => ({
    seconds: i * every,
    value: final * (1 - Math.exp((-i * every) / tau)),
  }));
const RULE = { windowSeconds: 20, maxSlopePerMinute: 1, maxSpread: 1 };

describe('first-order response', () => {
  it.each([2, 10, 30])('τ = %i s: T90 = 2.3026 τ, T50 = 0.6931 τ (analysis)', (tau) => {
    const fit = fitResponse({ samples: step(tau) })!;
    expect(fit.tauSeconds / tau).toBeCloseTo(1, 6);
    expect(fit.t90Seconds / tau).toBeCloseTo(2.3026, 4);
    expect(fit.t50Seconds / tau).toBeCloseTo(0.6931, 4);
    expect(fit.final).toBeCloseTo(50, 6);
    expect(fit.initial).toBeCloseTo(0, 6);
  });
  it('downwards as well (oxygen), with values missing and times uneven', () => {
    const samples = step(8, 2.9).map((one, i) => ({
      seconds: one.seconds + (i % 3) * 0.2,
      value: i % 7 === 3 ? null : 20.9 - 2.9 * (1 - Math.exp(-(one.seconds + (i % 3) * 0.2) / 8)),
    }));
    const fit = fitResponse({ samples })!;
    expect(fit.final).toBeCloseTo(18, 6);
    expect(fit.initial).toBeCloseTo(20.9, 6);
  });
  it('scale and shift of the readings leave the times alone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (tau, scale, shift) => {
          const fit = fitResponse({ samples: step(tau).map((one) => ({ ...one, value: one.value * scale + shift })) })!;
          expect(fit.tauSeconds / tau).toBeCloseTo(1, 4);
        },
      ),
      { numRuns: 30 },
    );
  });
  it('says nothing where nothing can be said: flat, too short, not bent yet', () => {
    expect(fitResponse({ samples: step(10, 0) })).toBeNull();
    expect(fitResponse({ samples: step(10).slice(0, 5) })).toBeNull();
    expect(fitResponse({ samples: step(500, 50, 1, 20) })).toBeNull();
    expect(() =>
      fitResponse({
        samples: [
          { seconds: 1, value: 1 },
          { seconds: 1, value: 2 },
        ],
      }),
    ).toThrow(/samples\[1\]\.seconds/);
  });
  it('T90 read off the trace itself agrees with the model it was made from', () => {
    expect(timeToShare({ samples: step(10, 50, 0.25), initial: 0, final: 50 })).toBeCloseTo(10 * Math.LN10, 1);
    expect(timeToShare({ samples: step(10).slice(0, 10), initial: 0, final: 50 })).toBeNull();
    expect(timeToShare({ samples: step(10), initial: 5, final: 5 })).toBeNull();
  });
});

describe('plateau', () => {
  it('settles on the final value, not on the way there', () => {
    const plateau = detectPlateau({ samples: step(10), ...RULE })!;
    expect(plateau.value).toBeGreaterThan(49);
    expect(plateau.seconds).toBeGreaterThan(40);
  });
  it('a flicker between 99 and 100 is judged by where it spends most of its time (common practice)', () => {
    const samples = Array.from({ length: 60 }, (_unused, i) => ({ seconds: i, value: i % 4 === 0 ? 99 : 100 }));
    expect(detectPlateau({ samples, ...RULE })?.value).toBe(100);
    expect(
      mostShown([
        { seconds: 0, value: 99 },
        { seconds: 1, value: 100 },
        { seconds: 9, value: 99 },
      ]),
    ).toBe(100);
  });
  it('a gap longer than half the window starts the wait again; missing values alone don’t', () => {
    const quiet = Array.from({ length: 40 }, (_unused, i) => ({ seconds: i, value: i % 5 === 2 ? null : 10 }));
    expect(detectPlateau({ samples: quiet, ...RULE })?.seconds).toBe(20);
    const gap = [...quiet.slice(0, 15), ...quiet.slice(30).map((one) => ({ ...one, seconds: one.seconds + 5 }))];
    expect(detectPlateau({ samples: gap, ...RULE })).toBeNull();
  });
  it('says nothing for a ramp, nothing for too short a trace, and refuses time that runs back', () => {
    expect(
      detectPlateau({ samples: Array.from({ length: 300 }, (_unused, i) => ({ seconds: i, value: i / 30 })), ...RULE }),
    ).toBeNull();
    expect(detectPlateau({ samples: step(1).slice(0, 15), ...RULE })).toBeNull();
    const stream = new PlateauStream(RULE);
    stream.push(1, 5);
    expect(() => stream.push(1, 5)).toThrow(/seconds must rise/);
    expect(() => stream.push(2, NaN)).toThrow(/value/);
    expect(() => new PlateauStream({ ...RULE, windowSeconds: 0 })).toThrow(/windowSeconds/);
  });
  it('streaming and the plain definition agree at every reading, also after a hundred thousand of them', () => {
    const stream = new PlateauStream({ windowSeconds: 10, maxSlopePerMinute: 3, maxSpread: 1.2 });
    const all: { seconds: number; value: number }[] = [];
    let settled = 0;
    for (let i = 0; i < 100_000; i += 1) {
      const sample = { seconds: 1e6 + i * 0.5, value: 1000 + Math.sin(i / 200) * 3 + ((i * 7919) % 13) / 13 };
      all.push(sample);
      const said = stream.push(sample.seconds, sample.value);
      if (i % 97 !== 0 && i < 99_900) continue;
      const window = all.slice(-21);
      const t = window.map((one) => one.seconds - sample.seconds);
      const v = window.map((one) => one.value);
      const mean = (list: number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
      const slope =
        t.reduce((sum, one, k) => sum + (one - mean(t)) * (v[k]! - mean(v)), 0) /
        t.reduce((sum, one) => sum + (one - mean(t)) ** 2, 0);
      const plain = window.length === 21 && Math.max(...v) - Math.min(...v) <= 1.2 && Math.abs(slope) * 60 <= 3;
      // Within rounding of the limit either answer is right.
      if (Math.abs(Math.abs(slope) * 60 - 3) > 1e-6) expect(said).toBe(plain);
      settled += plain ? 1 : 0;
    }
    expect(settled).toBeGreaterThan(100);
  });
});

describe('pieces of the early estimate', () => {
  it('keeps a whole response in constant memory', () => {
    const recorder = new ResponseRecorder(64);
    for (let i = 0; i < 10_000; i += 1) recorder.push(i, i);
    expect(recorder.samples().length).toBeLessThan(64);
    for (const { seconds, value } of recorder.samples()) expect(value).toBeCloseTo(seconds, 9);
  });
  it('non-negative least squares keeps the conditions of Kuhn and Tucker', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 12, maxLength: 12 }),
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 3, maxLength: 3 }),
        (entries, b) => {
          const gram = new Float64Array(9);
          for (let i = 0; i < 3; i += 1)
            for (let j = 0; j < 3; j += 1)
              for (let k = 0; k < 4; k += 1) gram[i * 3 + j]! += entries[i * 4 + k]! * entries[j * 4 + k]! + (i === j ? 0.01 : 0);
          const { coefficients } = nonNegativeFit(gram, Float64Array.from(b));
          for (let i = 0; i < 3; i += 1) {
            const gradient = b[i]! - [0, 1, 2].reduce((sum, j) => sum + gram[i * 3 + j]! * coefficients[j]!, 0);
            expect(coefficients[i]).toBeGreaterThanOrEqual(0);
            if (coefficients[i]! > 1e-9) expect(Math.abs(gradient)).toBeLessThan(1e-6);
            else expect(gradient).toBeLessThan(1e-6);
          }
        },
      ),
    );
  });
  it('gas may be closed when what is left is a small share of the tolerance; the bound is a rectangle (JCGM 100:2008, 4.3.7)', () => {
    const estimate = { value: 50.1, low: 49.6, high: 50.6, standard: 0.25, reason: null } as const;
    const advice = gasMayClose({ estimate, displayed: 50, tolerance: 5, share: 0.15 });
    expect(advice).toMatchObject({ close: true, code: 'settled' });
    expect(advice.remaining).toBeCloseTo(0.6, 9);
    expect(advice.standard).toBeCloseTo(0.6 / Math.sqrt(3), 9);
    expect(gasMayClose({ estimate, displayed: 47, tolerance: 5 }).code).toBe('stillMoving');
    expect(
      gasMayClose({ estimate: { value: null, reason: 'tooEarly', sentence: 'Too early.' }, displayed: 47, tolerance: 5 }).close,
    ).toBe(false);
  });
});
