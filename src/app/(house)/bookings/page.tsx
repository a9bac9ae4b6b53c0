import { say } from '@/core/words/say';
import { ArrivalsView, BookingLine, ForWhom, LoadView } from '@/features/bookings';
import { announcedLater, arrivals, ceilingOf, endedLately, readLoad } from '@/features/bookings/server';
import { ReportsPanel } from '@/features/window';
import { openReports } from '@/features/window/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { Link } from '@/ui/link';
import { ExportLinks } from '@/ui/export-links';
import '@/core/words/en/bookings';

export const metadata = { title: 'Bookings' };
export default page({ permission: 'signedIn', name: '/bookings' }, async ({ tx, actor, now }) => {
  const settings = await readSettings(tx);
  const today = dateIn(settings.zone, now);
  const [later, ended] = [await announcedLater(tx, today), await endedLately(tx)];
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'booking.title' })}</h1>
        <span className="end">
          <Link className="btn btn-plain" href="/bookings/feeds">
            {say({ code: 'booking.calendar' })}
          </Link>
          <ExportLinks base="/bookings/export" query={{}} />
        </span>
      </div>
      <p className="quiet">{say({ code: 'booking.how' })}</p>
      <ReportsPanel reports={await openReports(tx)} zone={settings.zone} may={may(actor.role, 'receive')} />
      <ArrivalsView rows={await arrivals(tx, today)} today={today} may={may(actor.role, 'receive')} />
      <LoadView weeks={await readLoad(tx, today, now)} ceiling={ceilingOf(settings)} />
      {may(actor.role, 'receive') && <ForWhom />}
      <section className="sheet mb-3" data-testid="announced">
        <h2>{say({ code: 'booking.later' })}</h2>
        {later.length === 0 && <p className="quiet mb-0">{say({ code: 'booking.none' })}</p>}
        {later.map((row) => (
          <div key={row.id} className="py-2 border-top">
            <BookingLine row={row} today={today} />
          </div>
        ))}
      </section>
      {ended.length > 0 && (
        <details className="sheet">
          <summary>{say({ code: 'booking.lately' })}</summary>
          {ended.map((row) => (
            <div key={row.id} className="py-2 border-top">
              <BookingLine row={row} today={today} />
            </div>
          ))}
        </details>
      )}
    </main>
  );
});
