import { addDays, format, getISODay, parseISO } from 'date-fns';
import { requireAbove, requireRange } from '../range-error';

/** A piece of work that waits. */
export interface Work {
  id: string;
  minutes: number;
  /** What is set up for it: works with the same one share the set-up. */
  setUp: string;
  /** Day that was promised; null for none. */
  promiseOn: string | null;
  /** When it came in. */
  since: string;
}
export interface Planned {
  id: string;
  minutes: number;
  /** It begins a set-up; what follows shares it. */
  sets: boolean;
}
export interface PlannedDay {
  day: string;
  people: { name: string; minutes: number; work: Planned[] }[];
}
export interface WorkPlan {
  days: PlannedDay[];
  /** Promised for a day before the one that it comes to. */
  late: { id: string; promiseOn: string; day: string }[];
  /** Comes to no day of those that are planned. */
  beyond: string[];
  /** Minutes that shared set-ups save against working strictly by promise. */
  saved: number;
}

interface Asked {
  today: string;
  people: readonly string[];
  /** Minutes of work that one of them has in a day. */
  minutesADay: number;
  work: readonly Work[];
  /** Minutes that a set-up takes. */
  setUpMinutes: number;
  /** Working days that are planned. */
  days: number;
}

/**
 * Plans what waits over the next working days (Monday to Friday) and the people who are there: the earliest promise first, and what shares its set-up right behind it as long as nothing that is promised earlier is pushed out of its day.
 * Where sharing would make one more late than working strictly by promise, it is worked strictly by promise.
 * Arguments: minutes above 0; at least one person and day. Errors: RangeError. Source: earliest due date first (Jackson 1955); sharing set-ups is common practice.
 *
 * @example
 * planWork({ today: '2026-11-30', people: ['Tam'], minutesADay: 360, work, setUpMinutes: 10, days: 5 }).days[0].people[0].work[0].id
 */
export function planWork(asked: Asked): WorkPlan {
  requireAbove('minutesADay', asked.minutesADay, 0);
  requireRange('days', asked.days, 1, 60);
  requireRange('setUpMinutes', asked.setUpMinutes, 0, 600);
  if (asked.people.length === 0) throw new RangeError('people must hold at least one');
  asked.work.forEach(({ minutes }, index) => requireAbove(`work[${index}].minutes`, minutes, 0));
  const [strict, shared] = [lay(asked, false), lay(asked, true)];
  const better =
    shared.late.length + shared.beyond.length <= strict.late.length + strict.beyond.length && setUps(shared) <= setUps(strict);
  const chosen = better ? shared : strict;
  return { ...chosen, saved: (setUps(strict) - setUps(chosen)) * asked.setUpMinutes };
}

const setUps = ({ days }: Pick<WorkPlan, 'days'>): number =>
  days.reduce((sum, { people }) => sum + people.reduce((of, one) => of + one.work.filter((work) => work.sets).length, 0), 0);

function lay({ today, people, minutesADay, work, setUpMinutes, days }: Asked, sharing: boolean): Omit<WorkPlan, 'saved'> {
  const left = [...work].sort(byPromise);
  const planned = workingDays(today, days).map((day): PlannedDay => {
    const hands = people.map((name) => ({ name, minutes: 0, work: [] as Planned[] }));
    const last = new Map<string, string>();
    const costOf = (name: string, one: Work) => one.minutes + (last.get(name) === one.setUp ? 0 : setUpMinutes);
    const room = (hand: (typeof hands)[number], one: Work) => minutesADay - hand.minutes - costOf(hand.name, one);
    const put = (hand: (typeof hands)[number], one: Work) => {
      const sets = last.get(hand.name) !== one.setUp;
      hand.minutes += costOf(hand.name, one);
      hand.work.push({ id: one.id, minutes: one.minutes, sets });
      last.set(hand.name, one.setUp);
      left.splice(left.indexOf(one), 1);
    };
    for (let progress = true; progress;) {
      progress = false;
      for (const one of [...left]) {
        // Whoever has it set up already, else whoever has most time; what is longer than a day takes an empty one.
        const able = hands.filter((hand) => room(hand, one) >= 0 || hand.work.length === 0);
        const hand = able.sort(
          (a, b) => Number(last.get(b.name) === one.setUp) - Number(last.get(a.name) === one.setUp) || a.minutes - b.minutes,
        )[0];
        if (!hand) continue;
        put(hand, one);
        progress = true;
        if (sharing) pullAlike(one, hand);
        break;
      }
    }
    return { day, people: hands };

    function pullAlike(begun: Work, hand: (typeof hands)[number]): void {
      for (const one of left.filter((other) => other.setUp === begun.setUp)) {
        // What has to be done today or is late already keeps its time.
        const must = left
          .filter((other) => other !== one && (other.promiseOn ?? '9999') <= day && other.setUp !== begun.setUp)
          .reduce((sum, other) => sum + other.minutes + setUpMinutes, 0);
        const free = hands.reduce((sum, other) => sum + minutesADay - other.minutes, 0) - costOf(hand.name, one);
        if (room(hand, one) >= 0 && ((one.promiseOn ?? '9999') <= day || free >= must)) put(hand, one);
      }
    }
  });
  const dayOf = new Map(
    planned.flatMap(({ day, people: of }) => of.flatMap((one) => one.work.map(({ id }) => [id, day] as const))),
  );
  return {
    days: planned,
    late: work.flatMap(({ id, promiseOn }) => {
      const day = dayOf.get(id);
      return promiseOn && day && day > promiseOn ? [{ id, promiseOn, day }] : [];
    }),
    beyond: left.map((one) => one.id),
  };
}

const byPromise = (a: Work, b: Work): number =>
  (a.promiseOn ?? '9999').localeCompare(b.promiseOn ?? '9999') || a.since.localeCompare(b.since) || a.id.localeCompare(b.id);

/** The next working days, today among them where it is one. */
export function workingDays(today: string, count: number): string[] {
  const days: string[] = [];
  for (let at = parseISO(today); days.length < count; at = addDays(at, 1))
    if (getISODay(at) <= 5) days.push(format(at, 'yyyy-MM-dd'));
  return days;
}
