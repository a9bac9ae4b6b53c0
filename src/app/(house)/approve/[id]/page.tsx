import { notFound } from 'next/navigation';
import type { StandingId } from '@/core/uncertainty/standing';
import { results } from '@/core/results/results';
import { say } from '@/core/words/say';
import { unconfirmedIn } from '@/features/budgets/server';
import { runView } from '@/features/bench/server';
import { ApprovalView } from '@/features/certificates';
import { annexesWanted, noticeFor } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/budget';

export const metadata = { title: 'Approve' };
export default page({ permission: 'bench', name: '/approve/[id]' }, async ({ tx, actor, params }) => {
  const [view, settings] = [await runView(tx, params.id!, actor), await readSettings(tx)];
  if (!view) return notFound();
  const open = await unconfirmedIn(tx, results({ procedure: view.procedure, state: view.state }));
  const sameHand =
    settings.samePersonApproves && (view.state.technician?.id === actor.id || view.state.finishedBy?.id === actor.id);
  return (
    <main className="page">
      <ApprovalView
        view={view}
        zone={settings.zone}
        mayApprove={may(actor.role, 'approve')}
        sameHand={sameHand}
        notice={await noticeFor(tx, params.id!)}
        annexes={await annexesWanted(tx, params.id!)}
        unconfirmed={open.map(
          (one) => `${one.measurand}: ${say({ code: `standing.${one.standing as StandingId}` })} ${one.value}`,
        )}
      />
    </main>
  );
});
