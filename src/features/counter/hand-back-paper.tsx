import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Addressee, LetterHead } from '@/ui/letter-head';
import { PrintButton } from '@/ui/print-button';
import type { ticketSlip } from './server/slip';
import '@/core/words/en/tickets';

type Slip = NonNullable<Awaited<ReturnType<typeof ticketSlip>>>;

/** The paper that goes with an instrument that was not calibrated. It states no reading, and says not to rely on it. */
export function HandBackPaper({ slip }: { slip: Slip }) {
  const { ticket, receipt, customer, asset, workshop } = slip;
  return (
    <>
      <div className="page-head no-print">
        <h1>{ticket.endedNumber}</h1>
        <div className="end">
          <PrintButton />
        </div>
      </div>
      <article className="slip" data-testid="hand-back-paper">
        <LetterHead workshop={workshop} />
        <h1 className="my-2">{say({ code: 'ticket.paperTitle' })}</h1>
        <div className="mono">{ticket.endedNumber}</div>
        <hr />
        <Addressee customer={customer} />
        <p>
          <strong>
            {asset.maker} {slip.model}
          </strong>
          , {slip.kind}
          <br />
          <span className="mono">
            {asset.serial}
            {asset.tag && ` · ${asset.tag}`}
          </span>
        </p>
        <dl>
          <dt>{say({ code: 'ticket.paperReceived' })}</dt>
          <dd>
            {dayTime(receipt.receivedAt, workshop.zone)} · {receipt.number} · {ticket.code}
          </dd>
          <dt>{say({ code: 'ticket.paperReturned' })}</dt>
          <dd>
            {ticket.returnedAt && dayTime(ticket.returnedAt, workshop.zone)} · {ticket.endedBy}
          </dd>
          <dt>{say({ code: 'ticket.paperReason' })}</dt>
          <dd>{ticket.endedWhy}</dd>
        </dl>
        <p className="caution">{say({ code: 'ticket.paperText' })}</p>
        <p className="mt-5 mb-0 quiet">{say({ code: 'ticket.paperSign' })}: ______________________________</p>
      </article>
    </>
  );
}
