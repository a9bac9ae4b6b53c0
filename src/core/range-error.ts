/**
 * The one way a bad argument is refused in core: argument, value and range in the message.
 *
 * @example
 * requireRange('temperatureC', 120, 0, 100)
 * // RangeError: temperatureC must be a number from 0 to 100, got 120
 */
export function requireRange(name: string, value: number, lowest: number, highest: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value) || value < lowest || value > highest) {
    throw new RangeError(`${name} must be a number ${describeRange(lowest, highest)}, got ${String(value)}`);
  }
  return value;
}

/** As `requireRange`, with the lower end left out: for divisors, times and standard deviations that can't be zero. */
export function requireAbove(name: string, value: number, above: number, highest = Infinity): number {
  if (typeof value !== 'number' || !Number.isFinite(value) || value <= above || value > highest) {
    const upper = highest === Infinity ? '' : ` and at most ${highest}`;
    throw new RangeError(`${name} must be a number above ${above}${upper}, got ${String(value)}`);
  }
  return value;
}

function describeRange(lowest: number, highest: number): string {
  if (lowest === -Infinity && highest === Infinity) return 'that is finite';
  if (highest === Infinity) return `of at least ${lowest}`;
  if (lowest === -Infinity) return `of at most ${highest}`;
  return `from ${lowest} to ${highest}`;
}
