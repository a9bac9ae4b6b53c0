import { Link } from '@/ui/link';
import { StatusMark } from '@/ui/status-mark';
import type { BoardTicket } from '../server/board';

interface Props {
  tickets: BoardTicket[];
  mayApprove: boolean;
  /** The counter's button for handing an instrument back. */
  handBack: (ticketId: string) => React.ReactNode;
}

/** What waits for the signatory, and what waits to be handed back. */
export function OutTray({ tickets, mayApprove, handBack }: Props) {
  const piles = [
    ['To approve', tickets.filter((one) => one.status === 'toApprove')],
    ['To return', tickets.filter((one) => one.status === 'toReturn')],
  ] as const;
  return (
    <section className="tray" aria-label="Out-tray">
      {piles.map(([name, pile]) => (
        <div key={name} className="mb-3">
          <h2>
            {name} <span className="small-caps">{pile.length}</span>
          </h2>
          <div className="tray-stack">
            {pile.map((ticket) => (
              <div key={ticket.id} className="ticket" style={{ cursor: 'default' }}>
                <div className="top">
                  <span className="mono">{ticket.code}</span>
                </div>
                <div className="name">
                  {ticket.maker} {ticket.model}
                </div>
                <div className="mono small">{ticket.serial}</div>
                <div className="quiet small mb-1">{ticket.customer}</div>
                <div>
                  <StatusMark status={ticket.instrument.status} why={ticket.instrument.why} />
                </div>
                {ticket.status === 'toApprove' &&
                  (mayApprove ? (
                    <Link className="btn btn-plain btn-sm" href={`/approve/${ticket.runId}`}>
                      Look and approve
                    </Link>
                  ) : (
                    <Link className="small" href={`/runs/${ticket.runId}`}>
                      look
                    </Link>
                  ))}
                {ticket.status === 'toReturn' && handBack(ticket.id)}
              </div>
            ))}
            {pile.length === 0 && (
              <div className="empty">
                {name === 'To approve'
                  ? 'Finished runs lie here for the signatory.'
                  : 'Approved instruments lie here until they are handed back.'}
              </div>
            )}
          </div>
        </div>
      ))}
      <Link className="small" href="/work">
        Work in the house
      </Link>
    </section>
  );
}
