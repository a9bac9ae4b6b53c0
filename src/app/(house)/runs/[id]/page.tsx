import { notFound } from 'next/navigation';
import { RunSheet } from '@/features/bench';
import { runView } from '@/features/bench/server';
import { MakeExercise } from '@/features/practice';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Run' };
export default page({ permission: 'signedIn', name: '/runs/[id]' }, async ({ tx, actor, params }) => {
  const view = await runView(tx, params.id!, actor);
  if (!view) return notFound();
  const over = view.state.status !== 'open' && view.state.status !== 'notStarted' && may(actor.role, 'bench');
  return (
    <RunSheet
      view={view}
      zone={(await readSettings(tx)).zone}
      beside={over ? <MakeExercise run={view.state.run} proposed={`${view.asset.maker} ${view.asset.model}`} /> : null}
    />
  );
});
