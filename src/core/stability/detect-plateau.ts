import { PlateauStream, type Plateau, type PlateauRule } from './plateau-stream';
import type { Sample } from './sample';

/**
 * When a recorded trace first settled, and on what: `PlateauStream` over all of it. Null when it never did.
 * Unit: that of the values; samples in time order (s), null for a missing value; window above 0 s, slope a minute and spread at least 0. Errors: RangeError.
 * Source: as `PlateauStream`.
 *
 * @example
 * detectPlateau({ samples, windowSeconds: 20, maxSlopePerMinute: 1, maxSpread: 1 }) // { seconds: 61, value: 50 }
 */
export function detectPlateau({ samples, ...rule }: { samples: readonly Sample[] } & PlateauRule): Plateau | null {
  const stream = new PlateauStream(rule);
  for (const { seconds, value } of samples) {
    if (stream.push(seconds, value)) return stream.present();
  }
  return null;
}
