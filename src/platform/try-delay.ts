/** So many failures cost nothing: people mistype. */
export const FREE = 5;
const FIRST_SECONDS = 5;
const LONGEST_SECONDS = 900;

/**
 * Seconds to wait after so many failures, doubled with each one from the sixth on. Range: failures whole, 0 or more; the result 0 to 900. Errors: none.
 * Source: throttling by growing delay (NIST SP 800-63B, 5.2.2).
 *
 * @example
 * delayAfter(5) // 5
 */
export const delayAfter = (failures: number): number =>
  failures < FREE ? 0 : Math.min(LONGEST_SECONDS, FIRST_SECONDS * 2 ** Math.min(20, failures - FREE));
