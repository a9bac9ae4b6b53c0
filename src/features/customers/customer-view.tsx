import { say } from '@/core/words/say';
import { may } from '@/platform/permission';
import type { Role } from '@/core/record/event';
import { Changed, plain } from '@/ui/changed';
import { day, dayIn, dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { StatusMark } from '@/ui/status-mark';
import { BlankPerson } from './blank-person';
import { ContactsPanel } from './contacts-panel';
import { CorrectPanel } from './correct-panel';
import { EndPanel, MergePanel, UndoMerge } from './end-panel';
import type { customerCard } from './server/customer-card';
import { SitesPanel } from './sites-panel';
import { TolerancesPanel } from './tolerances-panel';
import '@/core/words/en/customers';
import '@/core/words/en/house';

type Card = NonNullable<Awaited<ReturnType<typeof customerCard>>>;

/** A customer's page: who they are, what they have, what is being done and what was issued. */
export function CustomerView({ card, role, zone }: { card: Card; role: Role; zone: string }) {
  const { customer } = card;
  const mayKeep = may(role, 'receive') && !card.into;
  return (
    <main className="page">
      <div className="page-head">
        <h1>{customer.name}</h1>
        {customer.retiredAt && (
          <span className="notice mb-0">
            {say({
              code: 'customer.retiredLine',
              numbers: { on: dayIn(customer.retiredAt, zone), why: customer.retiredWhy },
            })}
          </span>
        )}
        {card.into && (
          <Link href={`/customers/${card.into.id}`}>{say({ code: 'merge.into', numbers: { name: card.into.name } })}</Link>
        )}
      </div>
      <div className="row g-3">
        <div className="col-lg-5">
          <section className="sheet" data-testid="customer">
            <Facts customer={customer} />
            {mayKeep && <CorrectPanel customerId={customer.id} version={customer.version} on={inputOf(customer)} />}
            {mayKeep && (customer.contact || customer.email || customer.phone) && (
              <BlankPerson customerId={customer.id} label={say({ code: 'blanking.main' })} />
            )}
          </section>
          <ContactsPanel
            customerId={customer.id}
            contacts={card.contacts.map(({ id, name, email, phone, purposes }) => ({ id, name, email, phone, purposes }))}
            former={card.former}
            mayKeep={mayKeep}
          />
          <SitesPanel customerId={customer.id} sites={card.sites} mayKeep={mayKeep} />
          <TolerancesPanel
            customerId={customer.id}
            agreed={card.tolerances.map((one) => ({ ...one, model: `${one.maker} ${one.model}` }))}
            models={card.models}
            mayKeep={mayKeep}
          />
          <Merges card={card} zone={zone} mayKeep={mayKeep} />
          {mayKeep && <MergePanel customerId={customer.id} />}
          {mayKeep && <EndPanel customerId={customer.id} retired={customer.retiredAt !== null} />}
        </div>
        <div className="col-lg-7">
          <Work card={card} />
          <Instruments card={card} />
          <Documents card={card} zone={zone} />
          <Mails card={card} zone={zone} />
          <History card={card} zone={zone} />
        </div>
      </div>
    </main>
  );
}

function inputOf({ name, address, contact, email, phone, notes, ...row }: Card['customer']) {
  const { wantsReminders, wantsCertificates, agreesDue, rule, annexBudgets, annexTraces, language, bumpEveryDays } = row;
  const wishes = { wantsReminders, wantsCertificates, agreesDue, rule, annexBudgets, annexTraces, language, bumpEveryDays };
  return { name, address, contact, email, phone, notes, ...wishes };
}

function Facts({ customer }: { customer: Card['customer'] }) {
  const lines = (['address', 'contact', 'email', 'phone', 'notes'] as const).filter((name) => customer[name]);
  return (
    <dl className="facts mb-2">
      {lines.map((name) => (
        <div key={name} className="mb-1">
          <dt className="small quiet fw-normal">{say({ code: `customer.${name}` })}</dt>
          <dd className="mb-0" style={{ whiteSpace: 'pre-line' }}>
            {customer[name]}
          </dd>
        </div>
      ))}
      {customer.wantsReminders && <div className="small">✓ {say({ code: 'customer.wantsReminders' })}</div>}
      {customer.bumpEveryDays !== null && (
        <div className="small">✓ {say({ code: 'customer.bumpLine', numbers: { days: customer.bumpEveryDays } })}</div>
      )}
      {(['wantsCertificates', 'agreesDue', 'annexBudgets', 'annexTraces'] as const).map(
        (name) =>
          customer[name] && (
            <div key={name} className="small">
              ✓ {say({ code: `customer.${name}` })}
            </div>
          ),
      )}
      {customer.language !== 'en' && (
        <div className="small">
          {say({ code: 'customer.language' })}: {say({ code: `customer.language.${customer.language}` })}
        </div>
      )}
      {customer.rule !== 'simple' && (
        <div className="small">
          {say({ code: 'customer.rule' })}: {say({ code: `customer.rule.${customer.rule}` })}
        </div>
      )}
    </dl>
  );
}

function Merges({ card, zone, mayKeep }: { card: Card; zone: string; mayKeep: boolean }) {
  return card.merges.map(({ id, gone, at, by, instruments, mayUndo }) => (
    <p key={id} className="notice mt-3 mb-0 d-flex flex-wrap gap-2 align-items-center" data-testid="merged">
      {say({ code: 'merge.line', numbers: { gone, on: dayTime(at, zone), by, instruments } })}
      {mayKeep && mayUndo && <UndoMerge mergeId={id} />}
    </p>
  ));
}

function Work({ card }: { card: Card }) {
  return (
    <section className="sheet">
      <h2>{say({ code: 'customer.work' })}</h2>
      {card.work.length === 0 && <p className="quiet mb-0">{say({ code: 'customer.noWork' })}</p>}
      {card.work.map((one) => (
        <div key={one.id} className="d-flex flex-wrap gap-3">
          <Link className="mono" href={`/tickets/${one.id}`}>
            {one.code}
          </Link>
          <span>{one.model}</span>
          <span className="mono">{one.serial}</span>
        </div>
      ))}
    </section>
  );
}

function Instruments({ card }: { card: Card }) {
  return (
    <section className="sheet mt-3">
      <h2>{say({ code: 'customers.instruments' })}</h2>
      <div
        style={{ maxHeight: '22rem', overflowY: 'auto' }}
        tabIndex={0}
        role="group"
        aria-label={say({ code: 'customers.instruments' })}
      >
        <table className="table mb-0">
          <tbody>
            {card.instruments.map((one) => (
              <tr key={one.id}>
                <td>
                  <Link className="row-link mono" href={`/assets/${one.id}`}>
                    {one.serial}
                  </Link>
                </td>
                <td className="mono">{one.tag}</td>
                <td>
                  {one.maker} {one.model}
                </td>
                <td>{one.status === 'inUse' ? day(one.nextDue) : <StatusMark status={one.status} />}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {card.moreInstruments && <Link href={`/assets?q=${encodeURIComponent(card.customer.name)}`}>…</Link>}
    </section>
  );
}

function Documents({ card, zone }: { card: Card; zone: string }) {
  return (
    <section className="sheet mt-3">
      <h2>{say({ code: 'customer.documents' })}</h2>
      {card.documents.length === 0 && <p className="quiet mb-0">{say({ code: 'customer.noDocuments' })}</p>}
      <div
        style={{ maxHeight: '16rem', overflowY: 'auto' }}
        tabIndex={0}
        role="group"
        aria-label={say({ code: 'customer.documents' })}
      >
        {card.documents.map((one) => (
          <div key={one.id} className="d-flex flex-wrap gap-3">
            <Link className="mono" href={`/certificates/${one.id}`}>
              {one.number}
              {one.revision > 0 && `-${one.revision}`}
            </Link>
            <span>{dayTime(one.issuedAt, zone)}</span>
            <span className="mono">{one.serial}</span>
          </div>
        ))}
      </div>
    </section>
  );
}

function Mails({ card, zone }: { card: Card; zone: string }) {
  return (
    <section className="sheet mt-3">
      <h2>{say({ code: 'customer.mails' })}</h2>
      {card.mails.length === 0 && <p className="quiet mb-0">{say({ code: 'customer.noMails' })}</p>}
      {card.mails.map((one) => (
        <div key={one.id} className="d-flex flex-wrap gap-3">
          <span>{dayTime(one.createdAt, zone)}</span>
          <span>{one.subject}</span>
          <span className="quiet small">{one.recipient}</span>
          <span className="small">{one.state}</span>
        </div>
      ))}
    </section>
  );
}

function History({ card, zone }: { card: Card; zone: string }) {
  const rows = card.history.filter((row) => row.kind !== 'made' || row.tableName !== 'customer');
  if (rows.length === 0) return null;
  return (
    <section className="sheet mt-3" data-testid="customer-history">
      <h2>{say({ code: 'customer.history' })}</h2>
      {rows.map((row) => (
        <div key={row.id} className="mb-2">
          <span className="small quiet">
            {dayTime(row.at, zone)}, {row.actor.name}, {plain(row.tableName)}
          </span>
          {row.kind === 'changed' ? (
            <Changed before={row.before ?? {}} after={row.after ?? {}} />
          ) : (
            <div className="small">{say({ code: row.kind === 'taken' ? 'changes.taken' : 'changes.made' })}</div>
          )}
        </div>
      ))}
    </section>
  );
}
