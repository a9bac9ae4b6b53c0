import { say } from '@/core/words/say';
import { OwnBooking, WindowFrame } from '@/features/window';
import { ownBookable, workshopOf } from '@/features/window/server';
import { windowPage } from '@/platform/window-door';
import '@/core/words/en/window';

export const metadata = { title: 'Book instruments', robots: { index: false } };
export default windowPage('/window/bookings/new', async ({ tx, who }) => (
  <WindowFrame who={who} workshop={await workshopOf(tx)}>
    <div className="page-head">
      <h1>{say({ code: 'window.book' })}</h1>
    </div>
    {who.acts ? (
      <OwnBooking
        draft={{ arrivesOn: '', wholeWeek: false, contact: who.contact, note: '', assetIds: [] }}
        instruments={await ownBookable(tx)}
      />
    ) : (
      <p className="sheet">{say({ code: 'window.readOnly' })}</p>
    )}
  </WindowFrame>
));
