/** What a key set: at this raw value it shows that one. `exact`: it shows what is there, whatever it was off by. */
export interface Mark {
  raw: number;
  target: number;
  exact?: true;
}

/** A span is refused under 40 % and over 200 % of the sensitivity when new, a zero further off than a tenth of the range (common practice). */
const WEAKEST = 0.4;
const STRONGEST = 2;
const FURTHEST = 0.1;
/** Nearer to its rest than this share of the range it is a zero: nothing is learnt of its sensitivity. */
const NEAR = 0.02;

/**
 * What is shown at a raw value after what was set: as it is, shifted by one mark, on the line through the two nearest ones.
 * Errors: none.
 *
 * @example
 * shownBy([{ raw: 1, target: 0 }, { raw: 91, target: 100 }], 46) // 50
 */
export function shownBy(marks: readonly Mark[], raw: number): number {
  const set = marks.filter((one) => !one.exact);
  const [first] = set;
  if (!first) return raw;
  if (set.length === 1) return raw + first.target - first.raw;
  const sorted = [...set].sort((a, b) => a.raw - b.raw);
  const upper = Math.min(
    sorted.length - 1,
    Math.max(1, sorted.findIndex((one) => one.raw >= raw) === -1 ? sorted.length - 1 : sorted.findIndex((one) => one.raw >= raw)),
  );
  const [low, high] = [sorted[upper - 1]!, sorted[upper]!];
  return low.target + ((raw - low.raw) * (high.target - low.target)) / (high.raw - low.raw);
}

/**
 * The marks after a key set one more; null where the instrument refuses it: the sensor answers too little or too much, or it is too far from zero.
 * Errors: none.
 *
 * @example
 * takes([{ raw: 0, target: 0 }], { raw: 8, target: 100 }, { rest: 0, range: 500 }) // null
 */
export function takes(marks: readonly Mark[], next: Mark, { rest, range }: { rest: number; range: number }): Mark[] | null {
  if (Math.abs(next.target - rest) < range * NEAR) {
    if (Math.abs(shownBy(marks, next.raw) - next.target) > range * FURTHEST) return null;
  } else {
    const anchor = marks.find((one) => !one.exact && Math.abs(one.target - rest) < range * NEAR) ?? { raw: rest, target: rest };
    const strength = (next.raw - anchor.raw) / (next.target - anchor.target);
    if (!(strength >= WEAKEST && strength <= STRONGEST)) return null;
  }
  const others = marks.filter((one) => !one.exact && Math.abs(one.target - next.target) > range / 1000 && one.raw !== next.raw);
  return [...others, next];
}
