'use client';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { mondayOf } from '@/core/booking/week-load';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { KeyStrip } from '@/ui/key-strip';
import { Link } from '@/ui/link';
import { useKeys } from '@/ui/use-keys';
import type { BookingRow } from './server/read-bookings';
import '@/core/words/en/bookings';

const KEYS = 9;

/** Who should come today: a figure opens the receipt, filled in. */
export function ArrivalsView({ rows, today, may }: { rows: readonly BookingRow[]; today: string; may: boolean }) {
  const router = useRouter();
  const receive = (row: BookingRow) => router.push(`/receive?booking=${row.id}`);
  useKeys(may ? Object.fromEntries(rows.slice(0, KEYS).map((row, index) => [String(index + 1), () => receive(row)])) : {});
  return (
    <section className="sheet mb-3" data-testid="arrivals">
      <h2>{say({ code: 'booking.arrivals' })}</h2>
      {rows.length === 0 && <p className="quiet mb-0">{say({ code: 'booking.noArrivals' })}</p>}
      {rows.map((row, index) => (
        <div key={row.id} className="d-flex flex-wrap gap-3 align-items-center py-2 border-top">
          {may && (
            <Button onClick={() => receive(row)}>
              {index < KEYS && <kbd>{index + 1}</kbd>} {say({ code: 'booking.receive' })}
            </Button>
          )}
          <BookingLine row={row} today={today} />
        </div>
      ))}
      {may && rows.length > 0 && <KeyStrip keys={[['1–9', say({ code: 'booking.receive' })]]} />}
    </section>
  );
}

/** Who, what, when. */
export function BookingLine({ row, today }: { row: BookingRow; today: string }) {
  const late = row.state === 'announced' && row.arrivesOn < (row.wholeWeek ? mondayOf(today) : today);
  return (
    <div>
      <Link className="fw-semibold" href={`/bookings/${row.id}`}>
        {row.customer}
      </Link>{' '}
      · {say({ code: 'booking.items', numbers: { count: row.items.length } })} ·{' '}
      {late ? (
        <strong>{say({ code: 'booking.late', numbers: { day: day(row.arrivesOn) } })}</strong>
      ) : row.wholeWeek ? (
        say({ code: 'booking.week', numbers: { day: day(row.arrivesOn) } })
      ) : (
        day(row.arrivesOn)
      )}{' '}
      {row.overCeiling && <span className="text-danger-emphasis">{say({ code: 'booking.over' })}</span>}
      <div className="quiet small">
        {row.items.map((one) => one.serial).join(', ')} · {say({ code: 'booking.by', numbers: { by: row.madeBy } })}
        {row.note && ` · ${row.note}`}
        {row.state !== 'announced' && ` · ${say({ code: `booking.state.${row.state}` })}`}
        {row.endedWhy && `: ${row.endedWhy}`}
      </div>
      {row.receiptId && (
        <Link className="mono small" href={`/receipts/${row.receiptId}`}>
          {row.receipt}
        </Link>
      )}
    </div>
  );
}
