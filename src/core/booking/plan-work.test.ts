import { describe, expect, it } from 'vitest';
import { seededUniform } from '../uncertainty/random';
import { planWork, workingDays, type Work } from './plan-work';
import { promiseFits } from './promise-fits';

const MONDAY = '2026-11-30';
const work = (id: string, setUp: string, promiseOn: string | null, minutes = 60): Work => ({
  id,
  setUp,
  promiseOn,
  minutes,
  since: id,
});
const base = { today: MONDAY, people: ['Tam'], minutesADay: 360, setUpMinutes: 10, days: 5 };
const ids = (plan: ReturnType<typeof planWork>, day = 0, person = 0) => plan.days[day]!.people[person]!.work.map((one) => one.id);

describe('a plan of what waits', () => {
  it('works by promise, and what shares a set-up comes right behind; what it saves is said', () => {
    const plan = planWork({
      ...base,
      work: [work('a', 'gas', MONDAY), work('b', 'pH', '2026-12-01'), work('c', 'gas', '2026-12-04')],
    });
    expect(ids(plan)).toEqual(['a', 'c', 'b']);
    expect(plan.days[0]!.people[0]!.work.map((one) => one.sets)).toEqual([true, false, true]);
    expect(plan).toMatchObject({ saved: 10, late: [], beyond: [] });
  });
  it('nothing that shares pushes out what is promised for today', () => {
    const alike = Array.from({ length: 5 }, (_one, index) => work(`g${index}`, 'gas', index ? null : MONDAY));
    const plan = planWork({ ...base, work: [...alike, work('p', 'pH', MONDAY, 120)] });
    expect(ids(plan)).toContain('p');
    expect(plan.late).toEqual([]);
  });
  it('an impossible promise is said with the day that it comes to; what finds no day too; a weekend is none', () => {
    const plan = planWork({ ...base, days: 1, work: [work('a', 'x', MONDAY, 300), work('b', 'y', MONDAY, 300)] });
    expect(plan).toMatchObject({ late: [], beyond: ['b'] });
    expect(planWork({ ...base, work: [work('a', 'x', MONDAY, 300), work('b', 'y', MONDAY, 300)] }).late).toEqual([
      { id: 'b', promiseOn: MONDAY, day: '2026-12-01' },
    ]);
    expect(workingDays('2026-12-04', 2)).toEqual(['2026-12-04', '2026-12-07']);
    // Longer than a day: it takes an empty one.
    expect(ids(planWork({ ...base, work: [work('long', 'x', null, 900)] }))).toEqual(['long']);
  });
  it('breaks no rule in a thousand cases: each once, no day overfull, never more late than strictly by promise', () => {
    const days = workingDays(MONDAY, 8);
    for (let seed = 1; seed <= 1000; seed += 1) {
      const draw = seededUniform(seed);
      const next = (most: number) => Math.floor(draw() * most);
      const all = Array.from({ length: 1 + next(18) }, (_one, index) =>
        work(`w${index}`, 'abc'[next(3)]!, next(4) ? days[next(8)]! : null, 20 + next(150)),
      );
      const people = ['A', 'B', 'C'].slice(0, 1 + next(3));
      const plan = planWork({ ...base, people, work: all, days: 8 });
      const planned = plan.days.flatMap((one) => one.people.flatMap((hand) => hand.work.map((each) => each.id)));
      expect([...planned, ...plan.beyond].sort()).toEqual(all.map((one) => one.id).sort());
      for (const { people: hands } of plan.days)
        for (const hand of hands) expect(hand.minutes <= base.minutesADay || hand.work.length === 1, `seed ${seed}`).toBe(true);
      // Without set-ups of different kinds nothing can be shared: that is strictly by promise.
      const strict = planWork({ ...base, people, work: all.map((one) => ({ ...one, setUp: one.id })), days: 8 });
      expect(plan.late.length + plan.beyond.length, `seed ${seed}`).toBeLessThanOrEqual(
        strict.late.length + strict.beyond.length,
      );
      expect(plan.saved).toBeGreaterThanOrEqual(0);
    }
  });
});

describe('a promise at the counter', () => {
  const promised = [
    { promiseOn: '2026-12-01', minutes: 700 },
    { promiseOn: '2026-12-04', minutes: 300 },
  ];
  // Worked by hand: 360 minutes a day, so 720 until Tuesday, 1080 until Wednesday, 1800 until Friday.
  it('fits where all that is promised until any later day still fits; else the first day that has room', () => {
    const asked = { today: MONDAY, minutesADay: 360, promised };
    expect(promiseFits({ ...asked, minutes: 20, day: '2026-12-01' })).toEqual({ fits: true, first: MONDAY });
    expect(promiseFits({ ...asked, minutes: 45, day: '2026-12-01' })).toEqual({ fits: false, first: '2026-12-02' });
    expect(promiseFits({ ...asked, minutes: 900, day: '2026-12-04' })).toEqual({ fits: false, first: '2026-12-07' });
    expect(promiseFits({ ...asked, minutes: 20, day: '2026-11-27' }).fits).toBe(false);
    expect(promiseFits({ ...asked, minutes: 50_000, day: '2026-12-04' })).toEqual({ fits: false, first: null });
  });
});
