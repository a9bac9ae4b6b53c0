import { say } from '@/core/words/say';
import { ChartForm, ChartsTable, ChecksAhead, ComparisonsPanel } from '@/features/control';
import { checksAhead, listCharts, listComparisons, watchable } from '@/features/control/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import '@/core/words/en/control';

export const metadata = { title: 'Control charts and comparisons' };
export default page({ permission: 'signedIn', name: '/shelf/control' }, async ({ tx, actor, now }) => {
  const { zone } = await readSettings(tx);
  const today = dateIn(zone, now);
  const keeps = may(actor.role, 'bench');
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'control.title' })}</h1>
        <span className="end">
          <ExportLinks base="/shelf/control/export" query={{}} />
        </span>
      </div>
      <p className="quiet">{say({ code: 'control.how' })}</p>
      {keeps && <ChartForm watchable={await watchable(tx)} />}
      <section className="sheet mb-3">
        <h2>{say({ code: 'control.charts' })}</h2>
        <ChartsTable charts={await listCharts(tx)} zone={zone} />
      </section>
      <ComparisonsPanel lines={await listComparisons(tx)} mayKeep={keeps} />
      <ChecksAhead checks={await checksAhead(tx, today)} today={today} />
    </main>
  );
});
