import { describe, expect, it } from 'vitest';
import { often } from '../often.fixture';
import { normalFrom, seededUniform } from '../uncertainty/random';
import { detectPlateau } from './detect-plateau';
import { estimateFinal } from './estimate-final';

const RUNS = often(10_000);
/** An estimate costs about a millisecond: fewer of them. */
const ESTIMATES = often(3000);

/** A display that rounds to its step, twice a second, of a response with noise. */
function display(
  respond: (seconds: number) => number,
  { noise, resolution, until, normal }: { noise: number; resolution: number; until: number; normal: () => number },
) {
  return Array.from({ length: until * 2 + 1 }, (_unused, i) => ({
    seconds: i / 2,
    value: Math.round((respond(i / 2) + noise * normal()) / resolution) * resolution,
  }));
}

describe('seeded responses', { timeout: 120_000 }, () => {
  it('τ 2 to 15 s, noise up to half a digit, display in whole digits: the plateau lies within one digit of the true final value in at least 99.9 %', () => {
    const uniform = seededUniform(1);
    const normal = normalFrom(uniform);
    let missed = 0;
    for (let run = 0; run < RUNS; run += 1) {
      const [tau, final, noise] = [2 + 13 * uniform(), 20 + 80 * uniform(), 0.5 * uniform()];
      const samples = display((t) => final * (1 - Math.exp(-t / tau)), { noise, resolution: 1, until: 150, normal });
      const plateau = detectPlateau({ samples, windowSeconds: 30, maxSlopePerMinute: 1, maxSpread: 5 });
      if (!plateau || Math.abs(plateau.value - final) > 1) missed += 1;
    }
    expect(missed / RUNS).toBeLessThanOrEqual(0.001);
  });

  const tally = (
    makeResponse: (uniform: () => number) => { final: number; respond: (t: number) => number; expected: number },
    seed: number,
  ) => {
    const uniform = seededUniform(seed);
    const normal = normalFrom(uniform);
    const count = { said: 0, covered: 0, silent: 0 };
    for (let run = 0; run < ESTIMATES; run += 1) {
      const { final, respond, expected } = makeResponse(uniform);
      const [noise, until] = [0.4 * uniform(), 20 + Math.floor(70 * uniform())];
      const estimate = estimateFinal({
        samples: display(respond, { noise, resolution: 0.5, until, normal }),
        resolution: 0.5,
        expectedChange: expected,
      });
      if (estimate.value === null) count.silent += 1;
      else {
        count.said += 1;
        if (final >= estimate.low && final <= estimate.high) count.covered += 1;
      }
    }
    return count;
  };
  /** Claimed 95 %: the share covered may not lie below it by more than three standard errors. */
  const claimKept = ({ said, covered }: { said: number; covered: number }) =>
    covered / said >= 0.95 - 3 * Math.sqrt((0.95 * 0.05) / said);

  it('early estimate, first order (τ 3 to 25 s): covers at least what it claims', () => {
    const count = tally((uniform) => {
      const [tau, final] = [3 + 22 * uniform(), 25 + 75 * uniform()];
      return { final, expected: final, respond: (t) => final * (1 - Math.exp(-t / tau)) };
    }, 2);
    expect(count.said).toBeGreaterThan(ESTIMATES / 2);
    expect(claimKept(count)).toBe(true);
  });
  it('early estimate, two time constants (slow part up to 40 %, up to 60 s): covers at least what it claims', () => {
    const count = tally((uniform) => {
      const [fast, final, share] = [3 + 12 * uniform(), 25 + 75 * uniform(), 0.05 + 0.35 * uniform()];
      const slow = Math.min(60, fast * (2 + 4 * uniform()));
      return {
        final,
        expected: final,
        respond: (t) => final * (1 - (1 - share) * Math.exp(-t / fast) - share * Math.exp(-t / slow)),
      };
    }, 3);
    expect(count.said).toBeGreaterThan(ESTIMATES / 2);
    expect(claimKept(count)).toBe(true);
  });
  it('early estimate, poisoned sensor (moves to 5 of 50, or creeps for minutes): says nothing rather than something wrong', () => {
    const stuck = tally((uniform) => {
      const [tau, final] = [3 + 60 * uniform(), 2 + 6 * uniform()];
      return { final, expected: 50, respond: (t) => final * (1 - Math.exp(-t / tau)) };
    }, 4);
    expect(stuck.said).toBe(0);
    const creeping = tally((uniform) => {
      const [tau, final] = [100 + 200 * uniform(), 40 + 10 * uniform()];
      return { final, expected: 50, respond: (t) => final * (1 - Math.exp(-t / tau)) };
    }, 5);
    expect(creeping.said).toBe(0);
  });
});
