import { addDays, format, parseISO } from 'date-fns';
import { sql } from 'drizzle-orm';
import { mondayOf, type Amount, type WeekLoad } from '@/core/booking/week-load';
import type { Transaction } from '@/data/connection';
import { hoursOfModels, USUAL_HOURS } from './hours-of-models';

/** Weeks that are looked ahead. */
export const WEEKS_AHEAD = 12;

interface Row extends Record<string, unknown> {
  week: string;
  model: string;
  n: number;
}

/** What is booked in each week from a Monday on, by model. */
const bookedFrom = (tx: Transaction, from: string, weeks: number, except: string | null) =>
  tx.execute<Row>(sql`
    select date_trunc('week', b.arrives_on)::date::text as week, a.model_id as model, count(*)::int as n
    from booking b join booking_item i on i.booking_id = b.id join asset a on a.id = i.asset_id
    where b.state = 'announced' and b.arrives_on >= ${from}::date and b.arrives_on < ${from}::date + ${weeks * 7}::int and b.id is distinct from ${except}::uuid group by 1, 2`);

/** What is due in each week, by model, that nobody booked and that doesn't stand in the house. */
const dueFrom = (tx: Transaction, from: string, weeks: number) =>
  tx.execute<Row>(sql`
    select date_trunc('week', a.next_due)::date::text as week, a.model_id as model, count(*)::int as n
    from asset a join customer c on c.id = a.customer_id and c.retired_at is null
    where a.status = 'inUse' and a.next_due >= ${from}::date and a.next_due < ${from}::date + ${weeks * 7}::int
      and not exists (select from booking_item i where i.asset_id = a.id and i.open) and not exists (select from ticket t where t.asset_id = a.id and t.status <> 'returned') group by 1, 2`);

/** What is expected in each week from the one of a day on, booked or due, by model. */
export async function visitsByWeek(
  tx: Transaction,
  today: string,
  weeks = WEEKS_AHEAD,
): Promise<{ week: string; model: string; n: number }[]> {
  const from = mondayOf(today);
  return [...(await bookedFrom(tx, from, weeks, null)).rows, ...(await dueFrom(tx, from, weeks)).rows];
}

/** Load of the weeks from the one of a day on. */
export async function readLoad(tx: Transaction, today: string, now: Date, weeks = WEEKS_AHEAD): Promise<WeekLoad[]> {
  const from = mondayOf(today);
  const hours = await hoursOfModels(tx, now);
  const sum = (rows: Row[], week: string): Amount =>
    rows
      .filter((row) => row.week === week)
      .reduce(
        (sofar, row) => ({
          instruments: sofar.instruments + row.n,
          hours: sofar.hours + row.n * (hours.get(row.model) ?? USUAL_HOURS),
        }),
        { instruments: 0, hours: 0 },
      );
  const [booked, due] = [(await bookedFrom(tx, from, weeks, null)).rows, (await dueFrom(tx, from, weeks)).rows];
  return Array.from({ length: weeks }, (_, index) => {
    const week = format(addDays(parseISO(from), index * 7), 'yyyy-MM-dd');
    return { week, booked: sum(booked, week), due: sum(due, week) };
  });
}

/** What is booked in the week of a day, one booking left out: the one that is being changed. */
export async function bookedInWeek(tx: Transaction, day: string, now: Date, except: string | null): Promise<Amount> {
  const hours = await hoursOfModels(tx, now);
  const { rows } = await bookedFrom(tx, mondayOf(day), 1, except);
  return rows.reduce(
    (sofar, row) => ({
      instruments: sofar.instruments + row.n,
      hours: sofar.hours + row.n * (hours.get(row.model) ?? USUAL_HOURS),
    }),
    { instruments: 0, hours: 0 },
  );
}

/** What instruments take, by their models. */
export async function amountOf(tx: Transaction, assetIds: readonly string[], now: Date): Promise<Amount> {
  const hours = await hoursOfModels(tx, now);
  const { rows } = await tx.execute<{ model: string }>(
    sql`select model_id as model from asset where id = any(array(select jsonb_array_elements_text(${JSON.stringify(assetIds)}::jsonb)::uuid))`,
  );
  return { instruments: rows.length, hours: rows.reduce((sum, row) => sum + (hours.get(row.model) ?? USUAL_HOURS), 0) };
}
