import type { ReactNode } from 'react';
import { say } from '@/core/words/say';
import type { AtWindow } from '@/platform/window-door';
import { Link } from '@/ui/link';
import { LeaveWindow } from './way-in';
import '@/core/words/en/window';

/** The frame of every page of the window: whose it is, where else to go, the way out. */
export function WindowFrame({ who, workshop, children }: { who: AtWindow; workshop: string; children: ReactNode }) {
  return (
    <>
      <nav className="window-bar no-print" aria-label={workshop}>
        <strong>{workshop}</strong>
        <Link href="/window">{say({ code: 'window.title' })}</Link>
        <Link href="/window/documents">{say({ code: 'window.documents' })}</Link>
        <Link href="/window/bookings">{say({ code: 'window.bookings' })}</Link>
        <span className="end quiet">{say({ code: 'window.of', numbers: { contact: who.contact, customer: who.customer } })}</span>
        <LeaveWindow />
      </nav>
      <main className="page">{children}</main>
    </>
  );
}
