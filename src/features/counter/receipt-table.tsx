import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { day } from '@/ui/format';
import type { ReceiptFound } from './server/receipt-of';
import '@/core/words/en/money';
import '@/core/words/en/receipts';
import '@/core/words/en/services';

/** What stands on a receipt: each instrument with its ticket, and where it is. */
export function ReceiptTable({ lines }: { lines: ReceiptFound['lines'] }) {
  return (
    <table className="table sheet">
      <thead>
        <tr>
          <th>{say({ code: 'receipt.instrument' })}</th>
          <th>{say({ code: 'receipt.wish' })}</th>
          <th>{say({ code: 'receipt.promised' })}</th>
          <th>{say({ code: 'receipt.state' })}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map(({ ticket, asset, maker, model, kind }) => (
          <tr key={ticket.id} data-testid="receipt-line">
            <td>
              <Link className="mono me-2" href={`/tickets/${ticket.id}`}>
                {ticket.code}
              </Link>
              <Link href={`/assets/${asset.id}`}>
                {maker} {model}
              </Link>{' '}
              <span className="mono text-nowrap">{asset.serial}</span> <span className="quiet small">{kind}</span>
            </td>
            <td>{say({ code: `service.${ticket.service}` })}</td>
            <td className="text-nowrap">{ticket.promiseOn ? day(ticket.promiseOn) : ''}</td>
            <td>
              {say({
                code: ticket.ended ? `receipt.${ticket.ended}` : `work.status.${ticket.status}`,
              })}
              {ticket.place !== null && <span className="mono"> {ticket.place}</span>}
              {ticket.ended && <span className="d-block small quiet">{ticket.endedWhy}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
