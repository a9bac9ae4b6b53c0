import { say } from '@/core/words/say';
import { OwnFeed, WindowFrame } from '@/features/window';
import { ownBookings, workshopOf } from '@/features/window/server';
import { windowPage } from '@/platform/window-door';
import { day } from '@/ui/format';
import { Link } from '@/ui/link';
import '@/core/words/en/bookings';
import '@/core/words/en/window';

export const metadata = { title: 'Bookings', robots: { index: false } };
export default windowPage('/window/bookings', async ({ tx, who }) => {
  const bookings = await ownBookings(tx);
  return (
    <WindowFrame who={who} workshop={await workshopOf(tx)}>
      <div className="page-head">
        <h1>{say({ code: 'window.bookings' })}</h1>
        {who.acts && (
          <Link className="end btn btn-primary" href="/window/bookings/new">
            {say({ code: 'window.book' })}
          </Link>
        )}
      </div>
      <section className="sheet" data-testid="own-bookings">
        {bookings.length === 0 && <p className="quiet mb-0">{say({ code: 'window.noBookings' })}</p>}
        {bookings.map((one) => (
          <div key={one.id} className="py-2 border-top">
            {one.state === 'announced' && who.acts ? (
              <Link className="fw-semibold" href={`/window/bookings/${one.id}`}>
                {one.wholeWeek ? say({ code: 'booking.week', numbers: { day: day(one.arrivesOn) } }) : day(one.arrivesOn)}
              </Link>
            ) : (
              <span>{day(one.arrivesOn)}</span>
            )}{' '}
            · {say({ code: 'booking.items', numbers: { count: one.serials.length } })} ·{' '}
            {say({ code: `booking.state.${one.state}` })}
            {one.endedWhy && `: ${one.endedWhy}`}
            <div className="mono small quiet">{one.serials.join(', ')}</div>
          </div>
        ))}
      </section>
      <OwnFeed />
    </WindowFrame>
  );
});
