import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { OwnBooking, WindowFrame } from '@/features/window';
import { ownBookable, ownBookings, workshopOf } from '@/features/window/server';
import { windowPage } from '@/platform/window-door';
import '@/core/words/en/window';

export const metadata = { title: 'Booking', robots: { index: false } };
export default windowPage('/window/bookings/[id]', async ({ tx, who, params }) => {
  const found = (await ownBookings(tx)).find((one) => one.id === params.id && one.state === 'announced');
  if (!found || !who.acts) notFound();
  const { arrivesOn, wholeWeek, contact, note, assetIds } = found;
  return (
    <WindowFrame who={who} workshop={await workshopOf(tx)}>
      <div className="page-head">
        <h1>{say({ code: 'window.book' })}</h1>
      </div>
      <OwnBooking own={found.id} draft={{ arrivesOn, wholeWeek, contact, note, assetIds }} instruments={await ownBookable(tx)} />
    </WindowFrame>
  );
});
