import { say } from '@/core/words/say';
import { day, dayTime } from '@/ui/format';
import { Addressee, LetterHead } from '@/ui/letter-head';
import { PrintButton } from '@/ui/print-button';
import { PositionTable } from './position-table';
import type { OfferOnPaper, DeliveryOnPaper } from './server/papers';
import '@/core/words/en/money';

interface Head {
  title: string;
  number: string;
  workshop: { name: string; address: string; logo: string | null };
  customer: { name: string; address: string };
}

/** The head that every paper of a job has. */
function Letter({ head, testId, children }: { head: Head; testId: string; children: React.ReactNode }) {
  return (
    <>
      <div className="page-head no-print">
        <h1>{head.number}</h1>
        <div className="end">
          <PrintButton />
        </div>
      </div>
      <article className="slip" data-testid={testId}>
        <LetterHead workshop={head.workshop} />
        <h1 className="my-2">{head.title}</h1>
        <div className="mono">{head.number}</div>
        <hr />
        <Addressee customer={head.customer} />
        {children}
      </article>
    </>
  );
}

const Sign = ({ text }: { text: string }) => <p className="mt-5 mb-0 quiet">{text}: ______________________________</p>;

/** What was found and what mending costs, for the customer to say yes or no to. */
export function OfferPaper({ found: { offer, ticket, customer, instrument, workshop } }: { found: OfferOnPaper }) {
  return (
    <Letter head={{ title: say({ code: 'offer.paperTitle' }), number: offer.number, workshop, customer }} testId="offer-paper">
      <p>
        <strong>{instrument.model}</strong> <span className="mono">{instrument.serial}</span> · {ticket.code}
        <br />
        {dayTime(offer.madeAt, workshop.zone)}, {offer.madeBy}
      </p>
      <p>{offer.finding}</p>
      <PositionTable lines={offer.positions} currency={offer.currency} />
      {!offer.answer && <p>{say({ code: 'offer.paperAsk' })}</p>}
      <Sign text={say({ code: 'offer.paperSign' })} />
    </Letter>
  );
}

/** What goes back to the customer with a receipt: each instrument with what was done to it, and its paper. */
export function DeliveryNote({ found: { receipt, customer, jobs, workshop, currency } }: { found: DeliveryOnPaper }) {
  return (
    <Letter head={{ title: say({ code: 'delivery.title' }), number: receipt.number, workshop, customer }} testId="delivery-note">
      {jobs.map((job) => (
        <section key={job.code} className="mb-3">
          <strong>{job.model}</strong> <span className="mono">{job.serial}</span> · {job.code}
          {job.returnedOn && <> · {day(job.returnedOn)}</>}
          {job.document && <> · {job.document}</>}
          {job.uncalibrated && <> · {say({ code: 'delivery.uncalibrated' })}</>}
          {job.lines.length > 0 && <PositionTable lines={job.lines} currency={currency} />}
        </section>
      ))}
      <Sign text={say({ code: 'delivery.sign' })} />
    </Letter>
  );
}
