import { differenceInCalendarDays, parseISO, subDays } from 'date-fns';
import { sql } from 'drizzle-orm';
import { whyLate, type WhyLate } from '@/core/booking/why-late';
import type { Transaction } from '@/data/connection';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';

export interface LateTicket extends WhyLate {
  id: string;
  code: string;
  item: string;
  serial: string;
  customer: string;
  promiseOn: string;
  /** Days over its promise: until it was ready, or until today. */
  over: number;
  ready: boolean;
}
interface Row extends Record<string, unknown> {
  id: string;
  code: string;
  item: string;
  serial: string;
  customer: string;
  promise: string;
  received: string;
  begun: string | null;
  finished: string | null;
  approved: string | null;
  word: number;
  usual: number | null;
}

/** What became late is looked at for so many days after it was ready, and no more of it than that. */
const LOOK_BACK_DAYS = 30;
const MOST = 40;
/** So many of a model say how long it usually takes. */
const ENOUGH = 5;

/** What is over its promise, or was when it became ready in the last month, the latest first, with where its time went. */
export async function lateTickets(tx: Transaction, now: Date): Promise<LateTicket[]> {
  const { zone } = await readSettings(tx);
  const today = dateIn(zone, now);
  const since = subDays(now, LOOK_BACK_DAYS).toISOString();
  const { rows } = await tx.execute<Row>(sql`
    with late as (
      select t.id, t.code, t.customer_id, t.asset_id, t.promise_on, t.created_at, s.started_at, s.finished_at, s.approved_at
      from ticket t left join run_summary s on s.run_id = t.run_id
      where t.promise_on is not null and t.promise_on < ${today}::date and t.ended is null and t.promise_on > ${today}::date - 400
        and ((t.status in ('inTray', 'onBench', 'toApprove')) or (s.approved_at > ${since}::timestamptz and (s.approved_at at time zone ${zone})::date > t.promise_on))
      order by t.promise_on, t.id limit ${MOST}
    )
    select l.id, l.code, a.maker || ' ' || m.name as item, a.serial, c.name as customer, l.promise_on::text as promise, to_json(l.created_at)#>>'{}' as received, to_json(l.started_at)#>>'{}' as begun,
      to_json(l.finished_at)#>>'{}' as finished, to_json(l.approved_at)#>>'{}' as approved,
      coalesce((select sum(extract(epoch from coalesce(o.answered_at, ${now.toISOString()}::timestamptz) - o.made_at)) / 3600 from offer o where o.ticket_id = l.id), 0)::float8 as word,
      (select case when count(*) >= ${ENOUGH} then percentile_cont(0.5) within group (order by extract(epoch from u.approved_at - k.created_at) / 3600) end
        from asset b join ticket k on k.asset_id = b.id join run_summary u on u.run_id = k.run_id where b.model_id = a.model_id and u.status = 'approved' and u.approved_at > ${now.toISOString()}::timestamptz - interval '1 year')::float8 as usual
    from late l join asset a on a.id = l.asset_id join instrument_model m on m.id = a.model_id join customer c on c.id = l.customer_id order by l.promise_on, l.id`);
  return rows.map((row) => {
    const ready = row.approved ? dateIn(zone, parseISO(row.approved)) : null;
    const why = whyLate({
      ...row,
      now: now.toISOString(),
      wordHours: row.word,
      promisedDays: differenceInCalendarDays(parseISO(row.promise), parseISO(dateIn(zone, parseISO(row.received)))),
      usualHours: row.usual,
    });
    return {
      ...why,
      id: row.id,
      code: row.code,
      item: row.item,
      serial: row.serial,
      customer: row.customer,
      promiseOn: row.promise,
      over: differenceInCalendarDays(parseISO(ready ?? today), parseISO(row.promise)),
      ready: ready !== null,
    };
  });
}
