import { expect, it } from 'vitest';
import { forecastSupply } from './forecast-supply';

const weeks = (...wanted: number[]) =>
  wanted.map((one, index) => ({ week: ['2026-11-30', '2026-12-07', '2026-12-14', '2026-12-21'][index]!, wanted: one }));

// Worked by hand: two litres a day.
it('what ends first is used first; the day it is used up, the day it is short, and how much', () => {
  const bottles = [
    { id: 'late', left: 10, until: '2027-06-30' },
    { id: 'early', left: 6, until: '2026-12-31' },
  ];
  const { bottles: out, shortOn, missing } = forecastSupply({ today: '2026-11-30', bottles, weeks: weeks(14, 14) });
  expect(out).toEqual([
    { id: 'late', usedUpOn: '2026-12-07', wasted: 0 },
    { id: 'early', usedUpOn: '2026-12-02', wasted: 0 },
  ]);
  expect(shortOn).toBe('2026-12-08');
  expect(missing).toBeCloseTo(12, 9);
});
it('what expires before it is used up is said with what is lost, and is no help afterwards', () => {
  const bottles = [{ id: 'a', left: 100, until: '2026-12-04' }];
  expect(forecastSupply({ today: '2026-11-30', bottles, weeks: weeks(7, 7) })).toEqual({
    bottles: [{ id: 'a', usedUpOn: null, wasted: 95 }],
    shortOn: '2026-12-05',
    missing: expect.closeTo(9, 9),
  });
});
it('a week that has begun wants all of it in the days that are left; nothing wanted, nothing short', () => {
  const bottles = [{ id: 'a', left: 3, until: null }];
  expect(forecastSupply({ today: '2026-12-04', bottles, weeks: weeks(6) })).toMatchObject({
    shortOn: '2026-12-05',
    missing: expect.closeTo(3, 9),
  });
  expect(forecastSupply({ today: '2026-12-04', bottles, weeks: weeks(0, 0) })).toEqual({
    bottles: [{ id: 'a', usedUpOn: null, wasted: null }],
    shortOn: null,
    missing: 0,
  });
  expect(forecastSupply({ today: '2026-12-04', bottles: [], weeks: [] })).toEqual({ bottles: [], shortOn: null, missing: 0 });
});
