import { notFound } from 'next/navigation';
import { ChartForm, ChartView } from '@/features/control';
import { chartPage, watchable } from '@/features/control/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';

export const metadata = { title: 'Control chart' };
export default page({ permission: 'signedIn', name: '/shelf/control/[id]' }, async ({ tx, actor, params }) => {
  const found = await chartPage(tx, params.id!);
  if (!found) notFound();
  const { zone } = await readSettings(tx);
  const bench = may(actor.role, 'bench');
  const { id, name, how, referenceId, endedAt } = found.chart;
  return (
    <main className="page">
      <div className="page-head">
        <h1>{name}</h1>
        <span className="end">
          <ExportLinks base={`/shelf/control/${id}/export`} query={{}} />
        </span>
      </div>
      <ChartView page={found} zone={zone} may={{ bench, approve: may(actor.role, 'approve') }} />
      {bench && !endedAt && (
        <ChartForm key={`${name}${how}${referenceId}`} watchable={await watchable(tx)} chart={{ id, name, how, referenceId }} />
      )}
    </main>
  );
});
