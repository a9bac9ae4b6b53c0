import { describe, expect, it } from 'vitest';
import type { ResponseCard } from '../stability/response-card';
import { LiveChannel } from './live-channel';

/** A first-order response with time constant `tau`, as a display of step 1 shows it, four times a second. */
function feed(channel: LiveChannel, from: number, to: number, value: (seconds: number) => number, step = 1): void {
  for (let seconds = from; seconds < to; seconds += 0.25) {
    const shown = Math.round(value(seconds) / step) * step;
    channel.push(seconds, shown.toFixed(step < 1 ? 1 : 0), 'value', null);
  }
}
const rule = { resolution: '1', tolerance: 10, expectedChange: 100 };
const rise =
  (tau: number, final = 100) =>
  (seconds: number) =>
    seconds < 30 ? 0 : final * (1 - Math.exp(-(seconds - 30) / tau));

describe('a channel on a live line', () => {
  it('settles, with value, spread and times: T50 = τ ln 2, T90 = τ ln 10 (first-order step response)', () => {
    const channel = new LiveChannel(rule);
    feed(channel, 0, 30, rise(10));
    expect(channel.look()).toMatchObject({ text: '0', stable: { text: '0', spread: '0' } });
    channel.gas(30);
    feed(channel, 30, 120, rise(10));
    const look = channel.look()!;
    expect(look.stable).toMatchObject({ text: '100' });
    expect(Math.abs(look.t50Seconds! - 6.93)).toBeLessThan(0.6);
    expect(Math.abs(look.t90Seconds! - 23.03)).toBeLessThan(0.8);
    expect(look.before).toBe(0);
  });
  it('a flutter has a spread and no slope, a drift has a slope, whether they are settled or not', () => {
    const flutter = new LiveChannel(rule);
    feed(flutter, 0, 30, (seconds) => 50 + 5 * (Math.round(seconds * 4) % 2));
    expect(flutter.look()!.lately).toMatchObject({ spread: 5 });
    expect(Math.abs(flutter.look()!.lately!.perMinute)).toBeLessThan(2);
    const drift = new LiveChannel(rule);
    feed(drift, 0, 30, (seconds) => seconds / 2);
    // Half a unit a second is 30 a minute.
    expect(drift.look()!.lately!.perMinute).toBeCloseTo(30, -1);
    expect(new LiveChannel(rule).look()).toBeNull();
  });
  it('a settled zero is never taken for a reading in gas: nothing counts as settled for 20 s, nor, without movement, for 45 s', () => {
    const channel = new LiveChannel(rule);
    feed(channel, 0, 30, () => 0);
    channel.gas(30);
    feed(channel, 30, 49, () => 0);
    expect(channel.look()!.stable).toBeNull();
    feed(channel, 49, 72, () => 0);
    expect(channel.look()!.stable).toBeNull();
    feed(channel, 72, 80, () => 0);
    expect(channel.look()!.stable).toMatchObject({ text: '0' });
  });
  it('proposes to close before the plateau once what is left is proved small; the bound holds the true rest', () => {
    const channel = new LiveChannel(rule);
    const response = rise(12);
    feed(channel, 0, 30, response);
    channel.gas(30);
    let closedAt: number | null = null;
    for (let seconds = 30; seconds < 150 && closedAt === null; seconds += 1) {
      feed(channel, seconds, seconds + 1, response);
      const look = channel.look()!;
      if (look.close?.close && !look.stable) {
        closedAt = seconds + 1 - 30;
        expect(Math.abs(100 - Number(look.text))).toBeLessThanOrEqual(look.close.remaining! + 0.5);
        expect(look.close.remaining!).toBeLessThanOrEqual(0.25 * 10);
      }
    }
    expect(closedAt).not.toBeNull();
    expect(closedAt!).toBeLessThan(75);
  });
  it('a flicker between two digits gives the one that was shown longer (common practice)', () => {
    const channel = new LiveChannel({ ...rule, expectedChange: null });
    feed(channel, 0, 30, (seconds) => (Math.round(seconds * 4) % 4 === 0 ? 100 : 99));
    expect(channel.look()!.stable).toMatchObject({ text: '99', spread: '1' });
  });
  it('once settled, a last digit that flickers at any pace does not end it; a move that matters does, and it has to settle anew', () => {
    for (const paceSeconds of [0.5, 2, 5, 9, 14]) {
      const channel = new LiveChannel({ resolution: '1', tolerance: 5, expectedChange: null });
      feed(channel, 0, 20, () => 100);
      for (let seconds = 20; seconds < 80; seconds += 1) {
        feed(channel, seconds, seconds + 1, (at) => 100 - (Math.floor(at / paceSeconds) % 2));
        expect(channel.look()!.stable, `${seconds} s, every ${paceSeconds} s`).not.toBeNull();
      }
      feed(channel, 80, 84, (at) => 100 - 2 * (at - 80));
      expect(channel.look()!.stable).toBeNull();
      feed(channel, 84, 98, () => 92);
      expect(channel.look()!.stable).toBeNull();
      feed(channel, 98, 104, () => 92);
      expect(channel.look()!.stable).toMatchObject({ text: '92' });
    }
  });
  it('a display without a number is not settled, and what stood before no longer counts', () => {
    const channel = new LiveChannel(rule);
    feed(channel, 0, 30, () => 50);
    channel.push(30, '', 'over', null);
    expect(channel.look()).toMatchObject({ status: 'over', stable: null });
    feed(channel, 30.25, 35, () => 50);
    expect(channel.look()!.stable).toBeNull();
  });
  it('keeps bounded memory over ten hours of readings', () => {
    const channel = new LiveChannel(rule);
    channel.gas(1);
    feed(channel, 0, 36_000, () => 42);
    expect(channel.look()!.trace.length).toBeLessThanOrEqual(120);
    expect(JSON.stringify(channel).length).toBeLessThan(600_000);
  });
  it('time that stands or runs backwards is passed over', () => {
    const channel = new LiveChannel(rule);
    feed(channel, 0, 20, () => 7);
    channel.push(3, '99', 'value', null);
    expect(channel.look()!.text).toBe('7');
  });
  it('where its model is known, a still display is not enough while a slow part may come; settled, it stays so when a digit flickers', () => {
    const response = { dead: [0, 1], tau: [6, 12], slow: [0.05, 0.15], slower: [10, 15] } as const satisfies ResponseCard;
    const slow = (seconds: number) =>
      seconds < 30 ? 0 : 100 * (1 - 0.9 * Math.exp(-(seconds - 30) / 8) - 0.1 * Math.exp(-(seconds - 30) / 100));
    const channel = new LiveChannel({ ...rule, response: { ...response } });
    const blind = new LiveChannel(rule);
    for (const one of [channel, blind]) {
      feed(one, 0, 30, slow);
      one.gas(30);
      // Looked at every second, as on a sheet: what held a plateau the last time is easier to hold.
      for (let at = 30; at < 144; at += 1) {
        feed(one, at, at + 1, slow);
        one.look({ early: false });
      }
    }
    // Three are still to come, more than a quarter of the tolerance, and nothing moves.
    expect(blind.look({ early: false })!.stable).not.toBeNull();
    const early = channel.look({ early: false })!;
    expect(early).toMatchObject({ stable: null, known: { settled: false, notInTime: false } });
    expect(early.known!.bound).toBeGreaterThan(2.5);
    feed(channel, 144, 215, slow);
    expect(channel.look()!.known).toMatchObject({ settled: true, bound: 2.5 });
    feed(channel, 215, 225, (seconds) => slow(seconds) - (Math.round(seconds * 4) % 2));
    expect(channel.look()!.known!.settled).toBe(true);
    channel.gas(null);
    expect(channel.look()!.known).toBeNull();
  });
});
