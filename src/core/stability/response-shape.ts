/** How a sensor comes to its reading after gas: nothing for a while, a fast part, and a slow one that follows it. Times in s. */
export interface ResponseShape {
  dead: number;
  /** Time constant of the fast part. */
  tau: number;
  /** Share of the whole change that comes slowly. */
  slow: number;
  /** How many times slower that part is: an exponential; left out: it falls with the root of time. */
  slower?: number;
}

/**
 * Share of the change that is reached so many seconds after gas came.
 * Range: seconds any, the result in [0, 1). Errors: none. Source: step response of first-order elements in parallel; a tail with the root of time for diffusion (common practice).
 *
 * @example
 * reached({ dead: 0, tau: 10, slow: 0 }, 10 * Math.LN10) // 0.9
 */
export function reached({ dead, tau, slow, slower }: ResponseShape, seconds: number): number {
  const t = (seconds - dead) / tau;
  if (t <= 0) return 0;
  const late = slower === undefined ? 1 / Math.sqrt(1 + t) : Math.exp(-t / slower);
  return 1 - (1 - slow) * Math.exp(-t) - slow * late;
}
