import { BenchBoard, OutTray } from '@/features/bench';
import { board } from '@/features/bench/server';
import { ReturnButton } from '@/features/counter';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export default page({ permission: 'signedIn', name: '/' }, async ({ tx, actor, now }) => {
  const [state, { zone }] = [await board(tx), await readSettings(tx)];
  return (
    <main className="page" data-bench>
      <BenchBoard
        board={state}
        today={dateIn(zone, now)}
        mayBench={may(actor.role, 'bench')}
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
