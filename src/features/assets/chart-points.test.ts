import { addDays } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { chartPoints } from './chart-points';

const start = new Date('2020-01-01T09:00:00Z');
const visits = (count: number, found: (n: number) => number | null) =>
  Array.from({ length: count }, (_one, n) => ({ at: addDays(start, n).toISOString(), found: found(n) }));

describe('the curve of an instrument', () => {
  it('has every channel that was read, visit by visit, to a tenth of a per cent', () => {
    const curves = chartPoints([
      { label: 'CO', visits: visits(3, (n) => -12.3456 * n) },
      { label: 'H2S', visits: visits(3, (n) => (n === 1 ? null : 50)) },
      { label: 'O2', visits: visits(3, () => null) },
    ]);
    expect(curves.at).toEqual([0, 1, 2].map((n) => addDays(start, n).getTime()));
    expect(curves.errors).toEqual({ CO: [-0, -12.3, -24.7], H2S: [50, null, 50] });
  });

  it('of an old instrument draws the newest thousand, the oldest of them first', () => {
    const { at, errors } = chartPoints([{ label: 'CO', visits: visits(1200, (n) => n).reverse() }]);
    expect(at).toHaveLength(1000);
    expect([errors.CO![0], errors.CO!.at(-1)]).toEqual([200, 1199]);
  });
});
