import { BenchBoard, OutTray } from '@/features/bench';
import { benchChains, board } from '@/features/bench/server';
import { ReturnButton } from '@/features/counter';
import { firstWeek, hasDocuments } from '@/features/setup/server';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import '@/core/words/en/setup';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export default page({ permission: 'signedIn', name: '/' }, async ({ tx, actor, now }) => {
  const [state, { zone }] = [await board(tx), await readSettings(tx)];
  // Until the first certificate: from then on whoever runs the workshop knows the way.
  const fresh =
    may(actor.role, 'office') &&
    !(await hasDocuments(tx)) &&
    (await firstWeek(tx, dateIn(zone, now))).filter((step) => !step.done).length;
  return (
    <main className="page" data-bench>
      {fresh && (
        <p className="notice">
          <Link href="/first-week">{say({ code: 'week.link', numbers: { open: fresh } })}</Link>
        </p>
      )}
      <BenchBoard
        board={state}
        today={dateIn(zone, now)}
        mayBench={may(actor.role, 'bench')}
        chains={may(actor.role, 'bench') ? await benchChains(tx, now) : []}
        outTray={
          <OutTray
            tickets={state.tickets}
            mayApprove={may(actor.role, 'approve')}
            handBack={(ticketId) => <ReturnButton ticketId={ticketId} />}
          />
        }
      />
    </main>
  );
});
