import { say } from '@/core/words/say';
import { day, dayTime } from '@/ui/format';
import { Addressee, LetterHead } from '@/ui/letter-head';
import { INSPECTION_ITEMS } from './receive-schema';
import type { ReceiptFound } from './server/receipt-of';
import '@/core/words/en/receipts';
import '@/core/words/en/services';

/** What the customer takes home: what was brought, in which state, and what was promised. */
export function ReceiptPaper({ found: { receipt, customer, lines, workshop } }: { found: ReceiptFound }) {
  const noneAgreed = lines.every((line) => !line.ticket.dueAgreed);
  return (
    <article className="slip" data-testid="receipt-paper">
      <LetterHead workshop={workshop} />
      <h1 className="my-2">{say({ code: 'receipt.paperTitle' })}</h1>
      <div>
        <span className="mono">{receipt.number}</span> · {dayTime(receipt.receivedAt, workshop.zone)}
      </div>
      <hr />
      <Addressee customer={customer} />
      <table className="table table-sm">
        <thead>
          <tr>
            <th>{say({ code: 'receipt.instrument' })}</th>
            <th>{say({ code: 'receipt.wish' })}</th>
            <th className="text-nowrap">{say({ code: 'receipt.promised' })}</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ ticket, asset, maker, model }) => (
            <tr key={ticket.id}>
              <td>
                {maker} {model} <span className="mono text-nowrap">{asset.serial}</span>{' '}
                {asset.tag && <span className="mono">{asset.tag}</span>}
                <span className="mono small d-block">{ticket.code}</span>
                {faultsOf(ticket.inspection).map((fault) => (
                  <span key={fault} className="small d-block">
                    {say({ code: 'receipt.paperFaults' })}: {fault}
                  </span>
                ))}
                {ticket.note && <span className="small d-block">{ticket.note}</span>}
              </td>
              <td>{say({ code: `service.${ticket.service}` })}</td>
              <td className="text-nowrap">{ticket.promiseOn && day(ticket.promiseOn)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {receipt.note && <p>{receipt.note}</p>}
      {noneAgreed && <p className="small mb-1">{say({ code: 'receipt.paperNotDue' })}</p>}
      <p>{say({ code: 'receipt.paperText' })}</p>
      <p className="mt-4 mb-0">
        {say({ code: 'receipt.paperTaken' })}: {receipt.receivedBy}
      </p>
      <p className="mt-4 mb-0 quiet">
        {say({ code: 'receipt.paperSign' })}: {receipt.contact} ______________________________
      </p>
    </article>
  );
}

type Inspection = ReceiptFound['lines'][number]['ticket']['inspection'];
const faultsOf = (inspection: Inspection): string[] =>
  INSPECTION_ITEMS.filter((item) => inspection[item.id]?.result === 'fault').map((item) =>
    [item.label, inspection[item.id]?.note].filter(Boolean).join(': '),
  );
