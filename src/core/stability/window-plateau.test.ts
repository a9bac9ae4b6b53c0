import { describe, expect, it } from 'vitest';
import { seededUniform } from '../uncertainty/random';
import { PlateauStream } from './plateau-stream';
import { windowPlateau } from './window-plateau';

const RULE = { windowSeconds: 15, maxSpread: 2, maxSlopePerMinute: 4, hold: { slope: 3, spread: 1.5 } };

describe('a plateau worked out when somebody looks', () => {
  // Two ways to the same: running sums and moving extremes there, one pass over the window here.
  it('says at every reading what the stream says: rises, flickers, gaps, restless and still stretches', () => {
    const uniform = seededUniform(20_261_128);
    let [quiet, seen] = [0, 0];
    for (let sensor = 0; sensor < 60; sensor += 1) {
      const [times, values]: [number[], number[]] = [[], []];
      const stream = new PlateauStream(RULE);
      let [seconds, was] = [0, false];
      const noise = 2.2 * uniform();
      for (let i = 0; i < 500; i += 1) {
        seconds += uniform() < 0.004 ? 6 + 8 * uniform() : 0.1 + 0.4 * uniform();
        times.push(seconds);
        values.push(Math.round(100 * (1 - Math.exp(-seconds / (5 + 2 * sensor))) + noise * (uniform() - 0.5)));
        stream.push(seconds, values.at(-1)!);
        const plateau = windowPlateau({ times, values, start: 0, end: times.length }, RULE, was);
        expect(plateau, `sensor ${sensor} at ${seconds} s`).toEqual(stream.present());
        was = plateau !== null;
        seen += 1;
        quiet += was ? 1 : 0;
      }
    }
    // Both answers came often, so the comparison says something.
    expect(quiet / seen).toBeGreaterThan(0.1);
    expect(quiet / seen).toBeLessThan(0.9);
  });
});
