import { cookies } from 'next/headers';
import { AskForLink, StationLog, TodayView, WindowFrame } from '@/features/window';
import { ownInstruments, workshopOf } from '@/features/window/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { atWindow, windowCookie } from '@/platform/window-door';
import { zoneOf } from '@/platform/zone-of';

export const metadata = { title: 'Your instruments', robots: { index: false } };
/** Whoever stands there sees their instruments; whoever doesn't is shown the way in. */
export default page({ permission: 'public', name: '/window' }, async ({ tx, now }) => {
  const secret = (await cookies()).get(windowCookie())?.value;
  const drawn = await atWindow(secret, async (own, who) => {
    const zone = await zoneOf(own);
    return (
      <WindowFrame who={who} workshop={await workshopOf(own)}>
        {who.acts && <StationLog />}
        <TodayView instruments={await ownInstruments(own, now)} zone={zone} today={dateIn(zone, now)} />
      </WindowFrame>
    );
  });
  return (
    drawn ?? (
      <main className="page page-narrow">
        <AskForLink workshop={await workshopOf(tx)} />
      </main>
    )
  );
});
