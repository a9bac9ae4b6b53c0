import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { Link } from '@/ui/link';
import type { LateTicket } from './server/late';
import '@/core/words/en/plan';

const PARTS = ['tray', 'word', 'bench', 'approval'] as const;

/** What became late, and where its time went. */
export function LateTable({ tickets }: { tickets: LateTicket[] }) {
  if (tickets.length === 0) return null;
  return (
    <section className="sheet mb-3" data-testid="became-late">
      <h2>{say({ code: 'plan.becameLate' })}</h2>
      <table className="table mb-0">
        <thead>
          <tr>
            <th>{say({ code: 'plan.what' })}</th>
            <th>{say({ code: 'plan.promisedFor' })}</th>
            <th>{say({ code: 'plan.why' })}</th>
            {PARTS.map((part) => (
              <th key={part} className="text-end">
                {say({ code: `plan.part.${part}` })}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {tickets.map((one) => (
            <tr key={one.id}>
              <td>
                <Link className="row-link" href={`/tickets/${one.id}`}>
                  {one.item} <span className="mono">{one.serial}</span>
                </Link>{' '}
                <span className="quiet">{one.customer}</span>
              </td>
              <td>
                {day(one.promiseOn)},{' '}
                <span className={one.ready ? 'quiet' : 'verdict-warn'}>
                  {say({ code: one.ready ? 'plan.wasOver' : 'plan.isOver', numbers: { days: one.over } })}
                </span>
              </td>
              <td>{say({ code: `plan.cause.${one.cause}` })}</td>
              {PARTS.map((part) => (
                <td key={part} className={`text-end mono${one.cause === part ? ' fw-bold' : ''}`}>
                  {one.days[part] || '–'}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
