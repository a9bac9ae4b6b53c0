import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { ReceiptPanel, ReceiptPaper, ReceiptTable } from '@/features/counter';
import { receiptOf } from '@/features/counter/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { PrintButton } from '@/ui/print-button';
import '@/core/words/en/receipts';

export const metadata = { title: 'Receipt' };
export default page({ permission: 'signedIn', name: '/receipts/[id]' }, async ({ tx, actor, params }) => {
  const found = await receiptOf(tx, params.id!);
  if (!found) notFound();
  const { receipt, customer, lines, workshop, over } = found;
  return (
    <main className="page page-narrow">
      <div className="no-print">
        <div className="page-head">
          <h1>{say({ code: 'receipt.title', numbers: { number: receipt.number } })}</h1>
          <Link href={`/customers/${customer.id}`}>{customer.name}</Link>
          <span className="end d-flex flex-wrap gap-2">
            {!over && may(actor.role, 'receive') && (
              <Link className="btn btn-plain" href={`/receive?receipt=${receipt.id}`}>
                {say({ code: 'receipt.add' })}
              </Link>
            )}
            <Link className="btn btn-plain" href={`/receipts/${receipt.id}/slips`}>
              {say({ code: 'receipt.slips', numbers: { count: lines.length } })}
            </Link>
            <Link className="btn btn-plain" href={`/tickets/${lines[0]?.ticket.id ?? ''}/delivery`}>
              {say({ code: 'receipt.delivery' })}
            </Link>
            <PrintButton />
          </span>
        </div>
        <p className="mb-2">
          {say({
            code: 'receipt.brought',
            numbers: { at: dayTime(receipt.receivedAt, workshop.zone), by: receipt.receivedBy },
          })}
          {receipt.contact && ` · ${receipt.contact}`}
          {receipt.note && ` · ${receipt.note}`}
        </p>
        {over && <p className="notice">{say({ code: 'receipt.over' })}</p>}
        <ReceiptTable lines={lines} />
        {may(actor.role, 'receive') && (
          <ReceiptPanel
            receiptId={receipt.id}
            said={{ contact: receipt.contact, note: receipt.note }}
            tickets={lines.map(({ ticket, asset, maker, model }) => ({
              id: ticket.id,
              code: ticket.code,
              name: `${maker} ${model} ${asset.serial}`,
            }))}
            over={over}
          />
        )}
        <h2 className="mt-4">{say({ code: 'receipt.paper' })}</h2>
      </div>
      <ReceiptPaper found={found} />
    </main>
  );
});
