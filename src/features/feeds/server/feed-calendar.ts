import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator';
import { addDays, format, parseISO } from 'date-fns';
import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import '@/core/words/en/feeds';

interface FeedEvent {
  uid: string;
  what: 'due' | 'promised' | 'booked';
  on_day: string;
  days: number;
  facts: Record<string, string>;
  cancelled: boolean;
  changes: number;
  changed: string;
}

function summaryOf({ what, facts }: FeedEvent): string {
  const { item = '', serial = '', customer = '', code = '' } = facts;
  if (what === 'booked') return say({ code: 'feed.booked', numbers: { customer } });
  return what === 'due'
    ? say({ code: 'feed.dueOf', numbers: { item, serial, customer } })
    : say({ code: 'feed.promisedOf', numbers: { item, serial, code, customer } });
}

/**
 * The calendar behind a secret address; null where there is none, or it was ended. Whole days; each entry with an identity of its own that never changes, a sequence that rises with every change, and its last change.
 * Source: RFC 5545 (3.6.1 VEVENT, 3.8.1.11 STATUS, 3.8.4.7 UID, 3.8.7.3 LAST-MODIFIED, 3.8.7.4 SEQUENCE); RFC 5546, 3.2.1 (PUBLISH).
 */
export async function feedCalendar(tx: Transaction, secret: string, host: string): Promise<string | null> {
  const { rows } = await tx.execute<{ name: string; events: FeedEvent[] }>(sql`select name, events from public_feed(${secret})`);
  const [feed] = rows;
  if (!feed) return null;
  const calendar = ical({
    name: say({ code: 'feed.calendar', numbers: { name: feed.name } }),
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Werkbank', product: 'feed', language: 'EN' },
    ttl: 3600,
  });
  for (const event of feed.events) {
    const start = parseISO(event.on_day);
    calendar.createEvent({
      id: `${event.uid}@${host}`,
      sequence: event.changes,
      stamp: new Date(event.changed),
      lastModified: new Date(event.changed),
      allDay: true,
      start: format(start, 'yyyy-MM-dd'),
      end: format(addDays(start, event.days), 'yyyy-MM-dd'),
      summary: summaryOf(event),
      description: [event.facts.serials, event.facts.note].filter(Boolean).join('\n'),
      status: event.cancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
  }
  return calendar.toString();
}
