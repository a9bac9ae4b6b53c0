import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import QRCode from 'qrcode';
import { day, dayTime } from '@/ui/format';
import { INSPECTION_ITEMS } from './receive-schema';
import { DeclarationForm } from './declaration-form';
import { StatusMark } from '@/ui/status-mark';
import { LetterHead } from '@/ui/letter-head';
import { PrintButton } from '@/ui/print-button';
import type { ticketSlip } from './server/slip';
import '@/core/words/en/paper';
import '@/core/words/en/receipts';
import '@/core/words/en/services';

type SlipFacts = NonNullable<Awaited<ReturnType<typeof ticketSlip>>>;

/** The ticket's page: its slip, the others of its receipt, and a declaration where it waits for one. */
export function TicketSlip({ slip }: { slip: SlipFacts }) {
  const { ticket, receipt, asset } = slip;
  return (
    <>
      <div className="page-head no-print">
        <h1>Ticket {ticket.code}</h1>
        <div className="end">
          {slip.together
            .filter((other) => other.id !== ticket.id)
            .map((other) => (
              <Link key={other.id} className="btn btn-plain btn-sm" href={`/tickets/${other.id}`}>
                {other.code}
              </Link>
            ))}
          <Link className="btn btn-plain" href={`/receipts/${receipt.id}`}>
            {say({ code: 'receipt.one' })}
          </Link>
          <Link className="btn btn-plain" href={`/assets/${asset.id}`}>
            Instrument
          </Link>
          <PrintButton />
        </div>
      </div>
      {ticket.inspection.clean?.result === 'fault' && <DeclarationForm ticketId={ticket.id} />}
      <Slip slip={slip} />
    </>
  );
}

/** The slip that goes with the instrument through the house. */
export async function Slip({ slip }: { slip: Omit<SlipFacts, 'together'> }) {
  const { ticket, receipt, customer, asset, workshop } = slip;
  const code = await QRCode.toString(ticket.code, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
  const unseen = Object.values(ticket.inspection).filter((one) => one.result === 'notLookedAt').length;
  const faults = INSPECTION_ITEMS.filter((item) => ticket.inspection[item.id]?.result === 'fault');
  return (
    <article className="slip">
      <div className="d-flex justify-content-between align-items-start">
        <div>
          <LetterHead workshop={workshop} short />
          <h1 className="mono my-1" style={{ fontSize: '2.1rem' }}>
            {ticket.code}
          </h1>
          <StatusMark status={asset.status} why={asset.statusWhy} />
          <div>
            Receipt {receipt.number} · {dayTime(receipt.receivedAt, workshop.zone)} · {receipt.receivedBy}
          </div>
        </div>
        <div style={{ width: '26mm' }} role="img" aria-label={`Code ${ticket.code}`} dangerouslySetInnerHTML={{ __html: code }} />
      </div>
      <hr />
      <div className="row">
        <dl className="col-6 mb-0">
          <dt>Customer</dt>
          <dd>
            <strong>{customer.name}</strong>
            {receipt.contact && (
              <>
                <br />
                {receipt.contact}
              </>
            )}
          </dd>
          <dt>Instrument</dt>
          <dd>
            <strong>
              {asset.maker} {slip.model}
            </strong>
            , {slip.kind}
          </dd>
          <dt>Serial</dt>
          <dd className="mono">
            {asset.serial}
            {asset.tag && ` · ${asset.tag}`}
          </dd>
        </dl>
        <dl className="col-6 mb-0">
          <dt>Wish</dt>
          <dd>{say({ code: `service.${ticket.service}` })}</dd>
          <dt>Promised for</dt>
          <dd>
            <strong>{day(ticket.promiseOn)}</strong>
          </dd>
          <dt>Due date on certificate and label</dt>
          <dd>{ticket.dueAgreed ? 'agreed' : 'not agreed'}</dd>
          <dt>Decision rule</dt>
          <dd>{ticket.rule === 'simple' ? 'simple acceptance' : 'guard band w = U'}</dd>
        </dl>
      </div>
      <p className="mb-1">
        <strong>Inspection:</strong>{' '}
        {faults.length
          ? faults.map((item) => `${item.label}: ${ticket.inspection[item.id]?.note}`).join('; ')
          : say({ code: 'inspection.sum', numbers: { faults: 0, open: unseen } })}
      </p>
      {ticket.note && (
        <p className="mb-1">
          <strong>Note:</strong> {ticket.note}
        </p>
      )}
    </article>
  );
}
