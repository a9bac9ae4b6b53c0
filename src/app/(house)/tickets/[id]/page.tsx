import { notFound } from 'next/navigation';
import { TicketSlip } from '@/features/counter';
import { ticketSlip } from '@/features/counter/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Ticket' };
export default page({ permission: 'signedIn', name: '/tickets/[id]' }, async ({ tx, params }) => {
  const slip = await ticketSlip(tx, params.id!);
  return slip ? (
    <main className="page page-narrow">
      <TicketSlip slip={slip} />
    </main>
  ) : (
    notFound()
  );
});
