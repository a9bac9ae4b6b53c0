'use client';
import { Link } from '@/ui/link';
import { Elapsed } from '@/ui/running-clock';
import { Countdown } from '@/ui/running-clock';
import type { BoardTicket } from '../server/board';
import { WaitCaller } from './wait-caller';

/** When a place wants a hand: gas first, then what is ready or ready soonest. */
export function dueAt(ticket: BoardTicket): number {
  if (ticket.next?.gasSince) return 0;
  const waits = ticket.runId
    ? ticket.next?.waitsUntil
    : ticket.placedAt && ticket.warmUpSeconds !== null
      ? new Date(Date.parse(ticket.placedAt) + ticket.warmUpSeconds * 1000).toISOString()
      : null;
  return waits ? Date.parse(waits) : 1;
}

/** All places in one strip, the next due action first; its number goes there. */
export function PlaceStrip({ places, here }: { places: BoardTicket[]; here: string }) {
  const sorted = [...places].sort((a, b) => dueAt(a) - dueAt(b) || (a.place ?? 0) - (b.place ?? 0));
  return (
    <>
      <WaitCaller places={places} />
      {places.length > 1 && (
        <nav className="sheet place-strip" aria-label="Places of the bench">
          <h2>On the bench</h2>
          <ol className="list-unstyled mb-0">
            {sorted.map((one) => (
              <li key={one.id} className={one.runId === here ? 'here' : ''}>
                <span className="place-number">{one.place}</span>
                <span className="flex-grow-1">
                  {one.runId && one.runId !== here ? (
                    <Link href={`/runs/${one.runId}`}>{one.model}</Link>
                  ) : (
                    <span>{one.model}</span>
                  )}{' '}
                  <span className="quiet small">{one.runId ? one.next?.title : 'warming up'}</span>
                </span>
                {one.next?.gasSince ? (
                  <span className="gas-on-mark">
                    GAS <Elapsed since={one.next.gasSince} />
                  </span>
                ) : dueAt(one) > 1 ? (
                  <Countdown until={new Date(dueAt(one)).toISOString()} className="clock small" />
                ) : null}
              </li>
            ))}
          </ol>
        </nav>
      )}
    </>
  );
}
