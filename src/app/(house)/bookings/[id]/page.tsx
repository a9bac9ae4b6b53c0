import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { BookingLine, ChangeForm } from '@/features/bookings';
import { bookable, bookingById } from '@/features/bookings/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/bookings';

export const metadata = { title: 'Booking' };
export default page({ permission: 'signedIn', name: '/bookings/[id]' }, async ({ tx, actor, now, params }) => {
  const found = await bookingById(tx, params.id);
  if (!found) notFound();
  const { customerId, arrivesOn, wholeWeek, contact, note, items } = found;
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'booking.change', numbers: { customer: found.customer } })}</h1>
      </div>
      <div className="sheet mb-3">
        <BookingLine row={found} today={dateIn((await readSettings(tx)).zone, now)} />
      </div>
      {found.state === 'announced' && may(actor.role, 'receive') && (
        <ChangeForm
          id={found.id}
          draft={{ arrivesOn, wholeWeek, contact, note, assetIds: items.map((one) => one.assetId) }}
          instruments={await bookable(tx, customerId)}
        />
      )}
    </main>
  );
});
