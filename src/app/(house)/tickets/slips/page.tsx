import { say } from '@/core/words/say';
import { Slip } from '@/features/counter';
import { slipsOf } from '@/features/counter/server';
import { page } from '@/platform/page';
import { PrintButton } from '@/ui/print-button';
import '@/core/words/en/receipts';
import '@/core/words/en/tickets';

export const metadata = { title: 'Slips' };
export default page({ permission: 'signedIn', name: '/tickets/slips' }, async ({ tx, chosen }) => {
  const slips = await slipsOf(tx, chosen);
  return (
    <main className="page page-narrow">
      <div className="page-head no-print">
        <h1>{say({ code: 'receipt.slips', numbers: { count: slips.length } })}</h1>
        <div className="end">
          <PrintButton />
        </div>
      </div>
      {slips.length === 0 && <p className="empty">{say({ code: 'tickets.none' })}</p>}
      {slips.map((slip) => (
        <div key={slip.ticket.id} className="one-a-page mb-3">
          <Slip slip={slip} />
        </div>
      ))}
    </main>
  );
});
