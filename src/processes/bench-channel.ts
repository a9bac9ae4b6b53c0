import { LiveChannel } from '@/core/live/live-channel';
import { LiveChannel as Frozen } from './bench-frozen/live/live-channel';
import { verdict } from './in-turn';

/** A response in gas as a display with one decimal shows it, four readings a second, and the same display when it stands. */
const RISE = Array.from({ length: 720 }, (_one, i) =>
  (25 * (1 - Math.exp(-(i * 0.25) / 20)) + 0.05 * Math.sin(i * 7)).toFixed(1),
);
const STILL = 2880;
type Channel = typeof LiveChannel | typeof Frozen;

/** Readings of one gas after the other; `looks`: as the sheet does with each frame, while it rises. Gives ns a reading, or µs a look. */
function gases(Kind: Channel, rounds: number, looks: boolean): number {
  let [spent, count] = [0, 0];
  for (let round = 0; round < rounds; round += 1) {
    const channel = new Kind({ resolution: '0.1', tolerance: 2.5, expectedChange: 25 });
    let seconds = 0;
    for (; seconds < 20; seconds += 0.25) channel.push(seconds, '0.0', 'value', null);
    channel.gas(seconds);
    const began = performance.now();
    for (let i = 0; i < (looks ? RISE.length : RISE.length + STILL); i += 1) {
      seconds += 0.25;
      channel.push(seconds, RISE[i] ?? RISE[600 + (i % 100)]!, 'value', null);
      if (!looks) continue;
      const before = performance.now();
      channel.look();
      spent += performance.now() - before;
      count += 1;
    }
    if (looks) continue;
    spent += performance.now() - began;
    count += RISE.length + STILL;
  }
  return (spent / count) * (looks ? 1e3 : 1e6);
}

const middle = (all: number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]!;

/** One channel of a live line beside a frozen copy of it as it was on 2026-11-26, in turn. */
export function benchChannel(): boolean[] {
  return ([false, true] as const).map((looks) => {
    const [ours, theirs]: [number[], number[]] = [[], []];
    for (let turn = 0; turn < 11; turn += 1) {
      const rounds = looks ? 1 : 60;
      ours.push(gases(LiveChannel, rounds, looks));
      theirs.push(gases(Frozen, rounds, looks));
    }
    const ratio = middle(ours.slice(2)) / middle(theirs.slice(2));
    const unit = looks ? 'µs a look' : 'ns a reading';
    console.log(
      `live channel: ${middle(ours.slice(2)).toFixed(0)} ${unit}, as it was ${middle(theirs.slice(2)).toFixed(0)}: ${verdict(ratio, 0.3)}`,
    );
    return ratio <= 0.3;
  });
}
