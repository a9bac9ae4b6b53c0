import ical, { ICalEventTransparency } from 'ical-generator';
import { addDays, format, parseISO } from 'date-fns';
import Papa from 'papaparse';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { dueList, type DueQuery } from './due-list';
import '@/core/words/en/due';

/** Rows of a file at most; whoever needs more chooses a window or a customer. */
const MOST = 20_000;

async function allDue(tx: Transaction, query: DueQuery) {
  return (await dueList(tx, { ...query, pageSize: MOST })).rows;
}

/** What is due as a table, days as ISO 8601. */
export async function dueCsv(tx: Transaction, query: DueQuery): Promise<string> {
  const rows = await allDue(tx, query);
  return Papa.unparse(
    {
      fields: ['due', 'maker', 'model', 'serial', 'tag', 'customer', 'rests_on', 'reminders'],
      data: rows.map((row) => [
        row.nextDue,
        row.maker,
        row.model,
        row.serial,
        row.tag,
        row.customer,
        row.basis?.certificate ?? row.basis?.reason ?? '',
        row.wantsReminders ? 'yes' : 'no',
      ]),
    },
    { escapeFormulae: true },
  );
}

/**
 * What is due as a calendar: a day and customer are one entry with all its instruments. An entry keeps its identity, so that a calendar that takes it in again replaces it.
 * Source: RFC 5545 (VEVENT of whole days, DTEND not included).
 */
export async function dueCalendar(
  tx: Transaction,
  query: DueQuery,
  { workshop, host, now }: { workshop: string; host: string; now: Date },
): Promise<string> {
  const calendar = ical({
    name: say({ code: 'due.calendar', numbers: { workshop } }),
    prodId: { company: 'Werkbank', product: 'due', language: 'EN' },
  });
  const days = new Map<string, Awaited<ReturnType<typeof allDue>>>();
  for (const row of await allDue(tx, query)) {
    const key = `${row.nextDue}~${row.customerId}`;
    days.set(key, [...(days.get(key) ?? []), row]);
  }
  for (const [key, rows] of days) {
    const [first] = rows;
    const start = parseISO(first!.nextDue!);
    calendar.createEvent({
      id: `due-${key.replace('~', '-')}@${host}`,
      stamp: now,
      allDay: true,
      start: format(start, 'yyyy-MM-dd'),
      end: format(addDays(start, 1), 'yyyy-MM-dd'),
      summary: say({ code: 'due.event', numbers: { customer: first!.customer, count: rows.length } }),
      description: rows.map((row) => `${row.maker} ${row.model} ${row.serial}`).join('\n'),
      transparency: ICalEventTransparency.TRANSPARENT,
    });
  }
  return calendar.toString();
}
