import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { driftForecast } from './drift-forecast';
import { dueByEvent } from './due-by-event';
import { reliabilityAdvice } from './reliability';
import { staircaseAdvice } from './staircase';

describe('due by event (common practice)', () => {
  const calibrated = { kind: 'calibrated', date: '2026-10-01' } as const;
  it('whatever comes first: calendar, use, sensor change, suspicion', () => {
    const calendar = { kind: 'calendar', every: { days: 30 } } as const;
    expect(dueByEvent({ rules: [calendar], events: [calibrated] })).toMatchObject({ due: '2026-10-31', code: 'calendar' });
    expect(
      dueByEvent({
        rules: [calendar, { kind: 'sensorChange' }],
        events: [{ kind: 'sensorChanged', date: '2026-10-12' }, calibrated],
      }),
    ).toMatchObject({ due: '2026-10-12', code: 'sensorChange' });
    expect(dueByEvent({ rules: [{ kind: 'everyUse' }], events: [calibrated] }).due).toBeNull();
    expect(
      dueByEvent({ rules: [{ kind: 'suspicion' }], events: [{ kind: 'suspected', date: '2026-09-30' }, calibrated] }).due,
    ).toBeNull();
    expect(dueByEvent({ rules: [calendar], events: [{ kind: 'used', date: '2026-11-02' }] })).toMatchObject({
      due: '2026-11-02',
      code: 'neverCalibrated',
    });
    expect(() => dueByEvent({ rules: [calendar], events: [{ kind: 'used', date: 'soon' }] })).toThrow(RangeError);
  });
});

describe('advice from history (ILAC-G24/OIML D 10)', () => {
  it('reliability: keep while Wilson’s interval (1927) still holds the target, else longer or shorter', () => {
    expect(reliabilityAdvice({ inTolerance: 45, visits: 50, days: 180 })).toMatchObject({ code: 'keep', days: 180 });
    const longer = reliabilityAdvice({ inTolerance: 200, visits: 200, days: 180 });
    expect(longer.code).toBe('extend');
    expect(longer.days).toBeGreaterThan(180);
    expect(longer.numbers.lower).toBeGreaterThan(0.9);
    const shorter = reliabilityAdvice({ inTolerance: 30, visits: 60, days: 180 });
    expect(shorter.code).toBe('shorten');
    expect(shorter.days).toBeLessThan(180);
    expect(shorter.days).toBeGreaterThanOrEqual(90);
  });
  it('staircase: 0.3 of the tolerance lengthens 180 to 198 days, outside shortens to 126, near the limit stays', () => {
    expect(staircaseAdvice({ errorShare: 0.3, days: 180 })).toMatchObject({ code: 'extend', days: 198 });
    expect(staircaseAdvice({ errorShare: -1.2, days: 180 })).toMatchObject({ code: 'shorten', days: 126 });
    expect(staircaseAdvice({ errorShare: 0.9, days: 180 })).toMatchObject({ code: 'keep', days: 180 });
    expect(staircaseAdvice({ errorShare: 0, days: 180, longest: 190 }).days).toBe(190);
  });
  it('never advises outside its limits, and never a longer interval for a worse error', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.integer({ min: 30, max: 700 }),
        (a, b, days) => {
          const advise = (errorShare: number) => staircaseAdvice({ errorShare, days, shortest: 30, longest: 730 }).days!;
          expect(advise(Math.max(a, b))).toBeLessThanOrEqual(advise(Math.min(a, b)));
          expect(advise(a)).toBeGreaterThanOrEqual(30);
          expect(advise(a)).toBeLessThanOrEqual(730);
        },
      ),
    );
  });
});

describe('drift line', () => {
  const history = ['2026-01-01', '2026-02-01', '2026-03-01', '2026-04-01', '2026-05-01', '2026-06-01'].map((date, i) => ({
    date,
    error: -0.3 * i + [0.05, -0.05, 0.03, -0.02, 0.04, -0.04][i]!,
  }));
  it('the prediction interval meets the tolerance before the line does, both after the last point', () => {
    const forecast = driftForecast({ history, tolerance: 2.5 });
    expect(forecast.code).toBe('forecast');
    expect(forecast.perMonth).toBeCloseTo(-0.3, 1);
    expect(forecast.meetsToleranceOn! > '2026-06-01').toBe(true);
    expect(forecast.meetsToleranceOn! < forecast.lineMeetsOn!).toBe(true);
    // The line: −2.5 at −0.3 a month is reached 8.3 months after the start.
    expect(forecast.lineMeetsOn!.slice(0, 7)).toBe('2026-09');
  });
  it('says nothing from fewer than five, nothing within the horizon, and warns when it may be outside already', () => {
    expect(driftForecast({ history: history.slice(0, 4), tolerance: 2.5 }).code).toBe('tooFew');
    expect(driftForecast({ history, tolerance: 100, horizonDays: 365 })).toMatchObject({
      code: 'withinHorizon',
      meetsToleranceOn: null,
    });
    expect(driftForecast({ history, tolerance: 1.5 }).code).toBe('alreadyOutside');
    expect(() => driftForecast({ history, tolerance: 0 })).toThrow(/tolerance/);
  });
});
