import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { TicketPanel, TicketSlip } from '@/features/counter';
import { ticketSlip } from '@/features/counter/server';
import { FilesPanel } from '@/features/files';
import { filesOf } from '@/features/files/server';
import { SparesFitted } from '@/features/stock';
import { sparesOf } from '@/features/stock/server';
import { MoneyPanel } from '@/features/money';
import { moneyOf, offersByMail, pricesNow } from '@/features/money/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { Link } from '@/ui/link';
import '@/core/words/en/stock';
import '@/core/words/en/tickets';

export const metadata = { title: 'Ticket' };
export default page({ permission: 'signedIn', name: '/tickets/[id]' }, async ({ tx, actor, params }) => {
  const slip = await ticketSlip(tx, params.id!);
  if (!slip) notFound();
  const { ticket } = slip;
  const { service, promiseOn, note, dueAgreed, endedBy: by, endedWhy: why, endedNumber } = ticket;
  return (
    <main className="page page-narrow">
      {ticket.ended && (
        <p className="notice d-flex flex-wrap gap-3" data-testid="ticket-ended">
          {ticket.ended === 'cancelled'
            ? say({ code: 'ticket.wasCancelled', numbers: { by, why } })
            : say({ code: 'ticket.wasHandedBack', numbers: { by, why, number: endedNumber ?? '' } })}
          {endedNumber && <Link href={`/tickets/${ticket.id}/paper`}>{say({ code: 'ticket.paper' })}</Link>}
        </p>
      )}
      <TicketSlip slip={slip} />
      {ticket.status !== 'returned' && may(actor.role, 'receive') && (
        <TicketPanel ticketId={ticket.id} wish={{ service, promiseOn, note, dueAgreed }} begun={ticket.runId !== null} />
      )}
      <SparesFitted
        ticketId={ticket.id}
        spares={await sparesOf(tx, ticket.id)}
        zone={slip.workshop.zone}
        mayFit={ticket.status !== 'returned' && may(actor.role, 'bench')}
      />
      {ticket.status !== 'returned' && may(actor.role, 'receive') && (
        <p className="no-print mt-2 mb-0">
          <Link href={`/stock?ticket=${ticket.id}`}>{say({ code: 'loan.meanwhile' })}</Link>
        </p>
      )}
      <MoneyPanel
        ticketId={ticket.id}
        money={await moneyOf(tx, ticket.id)}
        byMail={await offersByMail(tx, ticket.id, ticket.customerId)}
        prices={await pricesNow(tx)}
        currency={slip.workshop.currency}
        zone={slip.workshop.zone}
        here={ticket.status !== 'returned'}
        mayKeep={may(actor.role, 'receive')}
        mayOffer={may(actor.role, 'bench')}
      />
      <FilesPanel
        about="ticket"
        aboutId={ticket.id}
        files={await filesOf(tx, 'ticket', ticket.id)}
        mayKeep={may(actor.role, 'receive')}
      />
    </main>
  );
});
