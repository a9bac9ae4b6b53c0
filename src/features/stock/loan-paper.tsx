import { say } from '@/core/words/say';
import { day, dayTime } from '@/ui/format';
import { Addressee, LetterHead } from '@/ui/letter-head';
import { PrintButton } from '@/ui/print-button';
import { LoanActs } from './loan-acts';
import type { LoanOnPaper } from './server/loans';
import '@/core/words/en/stock';

/** What goes with an instrument that is lent: whose it is, until when its calibration holds, and the usual caution. */
export function LoanPaper({ found, mayKeep }: { found: LoanOnPaper; mayKeep: boolean }) {
  const { loan, customer, asset, maker, model, ticket, workshop } = found;
  return (
    <>
      <div className="page-head no-print">
        <h1>
          {say({ code: 'loan.paperTitle' })}: {maker} {model} <span className="mono">{asset.serial}</span>
        </h1>
        <div className="end">
          <PrintButton />
        </div>
      </div>
      {loan.backAt ? (
        <p className="notice no-print" data-testid="loan-over">
          {say({
            code: 'loan.was',
            numbers: {
              customer: customer.name,
              from: dayTime(loan.lentAt, workshop.zone),
              to: dayTime(loan.backAt, workshop.zone),
            },
          })}
          {loan.fault && <> · {say({ code: 'loan.hadFault', numbers: { fault: loan.fault } })}</>}
        </p>
      ) : (
        mayKeep && <LoanActs loanId={loan.id} on={{ dueBack: loan.dueBack, contact: loan.contact, note: loan.note }} />
      )}
      <article className="slip" data-testid="loan-paper">
        <LetterHead workshop={workshop} />
        <h1 className="my-2">{say({ code: 'loan.paperTitle' })}</h1>
        <hr />
        <Addressee customer={customer} />
        <p>
          <strong>
            {maker} {model}
          </strong>{' '}
          <span className="mono">
            {asset.serial}
            {asset.tag && ` · ${asset.tag}`}
          </span>
        </p>
        <dl>
          <dt>{say({ code: 'loan.paperLent' })}</dt>
          <dd>
            {dayTime(loan.lentAt, workshop.zone)} · {loan.lentBy}
          </dd>
          <dt>{say({ code: 'loan.paperUntil' })}</dt>
          <dd>
            <strong>{day(loan.dueBack)}</strong>
          </dd>
          {ticket && (
            <>
              <dt>{say({ code: 'loan.paperInstead' })}</dt>
              <dd className="mono">{ticket}</dd>
            </>
          )}
          {loan.note && (
            <>
              <dt>{say({ code: 'loan.note' })}</dt>
              <dd>{loan.note}</dd>
            </>
          )}
        </dl>
        <p className="caution">{say({ code: 'loan.paperText', numbers: { due: day(asset.nextDue) } })}</p>
        <p className="mt-5 mb-0 quiet">
          {say({ code: 'loan.paperSign' })}: {loan.contact} ______________________________
        </p>
      </article>
    </>
  );
}
