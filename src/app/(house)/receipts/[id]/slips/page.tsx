import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { Slip } from '@/features/counter';
import { receiptOf } from '@/features/counter/server';
import { page } from '@/platform/page';
import { Link } from '@/ui/link';
import { PrintButton } from '@/ui/print-button';
import '@/core/words/en/receipts';

export const metadata = { title: 'Slips' };
export default page({ permission: 'signedIn', name: '/receipts/[id]/slips' }, async ({ tx, params }) => {
  const found = await receiptOf(tx, params.id!);
  if (!found) notFound();
  const { receipt, customer, workshop, lines } = found;
  return (
    <main className="page page-narrow">
      <div className="page-head no-print">
        <h1>{say({ code: 'receipt.slips', numbers: { count: lines.length } })}</h1>
        <Link className="mono" href={`/receipts/${receipt.id}`}>
          {receipt.number}
        </Link>
        <div className="end">
          <PrintButton />
        </div>
      </div>
      {lines.map(({ ticket, asset, model, kind }) => (
        <div key={ticket.id} className="one-a-page mb-3">
          <Slip slip={{ ticket, receipt, customer, asset, model, kind, workshop }} />
        </div>
      ))}
    </main>
  );
});
