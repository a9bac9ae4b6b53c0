import Link from 'next/link';
import { BenchBoard } from '@/features/bench';
import { board, type BoardTicket } from '@/features/bench/server';
import { ReturnButton } from '@/features/counter';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export default page({ permission: 'signedIn', name: '/' }, async ({ tx, actor, now }) => {
  const [state, { zone }] = [await board(tx), await readSettings(tx)];
  return (
    <main className="page">
      <BenchBoard
        board={state}
        today={dateIn(zone, now)}
        mayBench={may(actor.role, 'bench')}
        outTray={<OutTray tickets={state.tickets} mayApprove={may(actor.role, 'approve')} />}
      />
    </main>
  );
});

function OutTray({ tickets, mayApprove }: { tickets: BoardTicket[]; mayApprove: boolean }) {
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
                {ticket.status === 'toReturn' && <ReturnButton ticketId={ticket.id} />}
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
    </section>
  );
}
