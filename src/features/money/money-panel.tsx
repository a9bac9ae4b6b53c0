import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { AnswerForm } from './answer-form';
import { MailOfferForm } from './mail-offer-form';
import { OfferForm } from './offer-form';
import { PositionForm } from './position-form';
import { PositionTable } from './position-table';
import { StrikePosition } from './strike-position';
import type { OffersByMail } from './server/mail-offer';
import type { moneyOf } from './server/positions';
import type { Price } from './server/prices';
import '@/core/words/en/money';

interface Props {
  ticketId: string;
  money: Awaited<ReturnType<typeof moneyOf>>;
  byMail: OffersByMail;
  prices: readonly Price[];
  currency: string;
  zone: string;
  /** The instrument is in the house. */
  here: boolean;
  mayKeep: boolean;
  mayOffer: boolean;
}

/** What was found at an instrument, what mending it costs and what the customer said; the lines of the job and what they come to. */
export function MoneyPanel({ ticketId, money, byMail, prices, currency, zone, here, mayKeep, mayOffer }: Props) {
  const { offers, positions } = money;
  const waits = offers.find((one) => !one.answer);
  const lines = positions.map((one) => ({
    ...one,
    struck: one.struckAt !== null,
    after: one.struckAt ? (
      <span className="d-block small quiet">
        {say({ code: 'money.struck', numbers: { by: one.struckBy ?? '', why: one.struckWhy ?? '' } })}
      </span>
    ) : here && mayKeep ? (
      <StrikePosition positionId={one.id} />
    ) : null,
  }));
  return (
    <section className="sheet mt-3" data-testid="money">
      <h2>{say({ code: 'money.title' })}</h2>
      {offers.map((one) => (
        <div key={one.id} className="mb-3" data-testid="offer">
          {one.answer ? (
            <p className="mb-1">
              {say({
                code: 'offer.answered',
                numbers: {
                  number: one.number,
                  total: `${one.total} ${one.currency}`,
                  answer: say({ code: `offer.answer.${one.answer}` }),
                  by: one.answeredBy ?? '',
                  how: say({ code: `offer.how.${one.answeredHow as 'telephone'}` }),
                  notedBy: one.notedBy ?? '',
                  on: one.answeredAt ? dayTime(one.answeredAt, zone) : '',
                },
              })}
            </p>
          ) : (
            <p className="notice" role="status">
              {say({ code: 'offer.waits', numbers: { number: one.number, total: `${one.total} ${one.currency}` } })}
            </p>
          )}
          <p className="quiet mb-1">
            {one.finding} <Link href={`/tickets/${ticketId}/offers/${one.id}`}>{say({ code: 'offer.print' })}</Link>
          </p>
          {byMail.sent[one.id] && (
            <p className="quiet small mb-1" data-testid="offer-sent">
              {say({
                code: `offer.mail.${byMail.sent[one.id]!.state}`,
                numbers: { to: byMail.sent[one.id]!.recipient, at: dayTime(byMail.sent[one.id]!.at, zone) },
              })}
            </p>
          )}
          {!one.answer && here && mayKeep && (
            <>
              <MailOfferForm offerId={one.id} to={byMail.sent[one.id]?.recipient ?? byMail.to} />
              <AnswerForm offerId={one.id} />
            </>
          )}
        </div>
      ))}
      {lines.length > 0 ? (
        <PositionTable lines={lines} currency={currency} />
      ) : (
        <p className="quiet">{say({ code: 'money.nothing' })}</p>
      )}
      <div className="d-flex flex-wrap gap-3 align-items-center">
        {here && mayOffer && !waits && <OfferForm ticketId={ticketId} prices={prices} currency={currency} />}
        {lines.length > 0 && (
          <Link className="btn btn-plain" href={`/tickets/${ticketId}/delivery`}>
            {say({ code: 'delivery.print' })}
          </Link>
        )}
        {here && mayKeep && <PositionForm ticketId={ticketId} prices={prices} currency={currency} />}
      </div>
    </section>
  );
}
