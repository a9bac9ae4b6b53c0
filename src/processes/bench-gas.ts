import { LiveChannel } from '@/core/live/live-channel';
import { normalFrom, seededUniform } from '@/core/uncertainty/random';
import { POPULATIONS, settle } from './settling-populations';

const INSTRUMENTS = Number(process.env.N ?? 1000);
const FIXED_SECONDS = 120;
const GOAL = 0.6;

/** Gas of as-found plus as-left readings over many simulated instruments of which nothing is known, against a fixed two minutes for each. */
export function benchGas(): boolean {
  const uniform = seededUniform(20261125);
  const normal = normalFrom(uniform);
  const of = (early: boolean) => {
    let sum = 0;
    for (let i = 0; i < INSTRUMENTS; i += 1) {
      const taken = settle(POPULATIONS['as usual']!(uniform), normal, (rule) => new LiveChannel(rule), early);
      sum += Math.max(...taken.map((one) => one.seconds));
    }
    return sum / INSTRUMENTS;
  };
  const [found, left] = [of(true), of(false)];
  const ratio = (found + left) / (2 * FIXED_SECONDS);
  console.log(
    `gas of ${INSTRUMENTS} instruments, as found ${found.toFixed(0)} s and as left ${left.toFixed(0)} s on average against ${FIXED_SECONDS} s each: ${ratio.toFixed(2)} × (goal ≤ ${GOAL} ×${ratio <= GOAL ? '' : ', MISSED'})`,
  );
  return ratio <= GOAL;
}
