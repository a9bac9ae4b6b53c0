import { EVENT_VERSION, type RunEvent } from './event';

export type Lifter = (event: Record<string, unknown>) => Record<string, unknown>;

/** From version n to n + 1. Version 1 is the first, so there is nothing to lift yet; a lifter is added here with the change that needs it. */
const LIFTERS: Record<number, Lifter> = {};

/**
 * Brings a stored event up to today's version, one step at a time. Errors: RangeError for a version from the future or without a way up.
 */
export function lift(
  stored: Record<string, unknown>,
  lifters: Record<number, Lifter> = LIFTERS,
  today = EVENT_VERSION,
): RunEvent {
  let event = stored;
  let version = Number(event.version);
  if (!(version >= 1 && version <= today)) throw new RangeError(`version must be 1 to ${today}, got ${String(event.version)}`);
  for (; version < today; version += 1) {
    const lifter = lifters[version];
    if (!lifter) throw new RangeError(`version ${version} has no way up to ${version + 1}`);
    event = { ...lifter(event), version: version + 1 };
  }
  return event as unknown as RunEvent;
}
