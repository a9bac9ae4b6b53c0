import { requireRange } from '../range-error';

/**
 * Values below which given shares of a sample lie, each the mean of its two neighbours by rank (JCGM 101:2008, 7.7, in steps of one draw). Rearranges the sample; takes linear time.
 * Range: at least two values; shares 0 to 1, rising. Errors: RangeError. Source: selection by partition (Hoare 1961).
 *
 * @example
 * percentiles(new Float64Array([3, 1, 2, 4]), [0.5]) // [2.5]
 */
export function percentiles(sample: Float64Array, shares: number[]): number[] {
  requireRange('sample.length', sample.length, 2, Infinity);
  let from = 0;
  return shares.map((share) => {
    requireRange('share', share, 0, 1);
    const rank = share * sample.length - 0.5;
    const below = Math.min(sample.length - 1, Math.max(0, Math.floor(rank)));
    const above = Math.min(sample.length - 1, below + 1);
    const low = select(sample, below, from);
    const high = above === below ? low : smallestFrom(sample, above);
    from = Math.max(0, below);
    return low + (high - low) * Math.min(1, Math.max(0, rank - below));
  });
}

/** After this everything before `rank` is no larger and everything behind it no smaller. */
function select(sample: Float64Array, rank: number, from: number): number {
  let left = from;
  let right = sample.length - 1;
  while (left < right) {
    const pivot = sample[(left + right) >> 1]!;
    let i = left;
    let j = right;
    while (i <= j) {
      while (sample[i]! < pivot) i += 1;
      while (sample[j]! > pivot) j -= 1;
      if (i > j) break;
      const kept = sample[i]!;
      sample[i] = sample[j]!;
      sample[j] = kept;
      i += 1;
      j -= 1;
    }
    if (rank <= j) right = j;
    else if (rank >= i) left = i;
    else break;
  }
  return sample[rank]!;
}

function smallestFrom(sample: Float64Array, from: number): number {
  let smallest = Infinity;
  for (let i = from; i < sample.length; i += 1) if (sample[i]! < smallest) smallest = sample[i]!;
  return smallest;
}
