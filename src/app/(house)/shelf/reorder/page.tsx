import { say } from '@/core/words/say';
import { ReorderList, SupplyTable } from '@/features/reorder';
import { supplyOutlook } from '@/features/reorder/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import '@/core/words/en/reorder';

export const metadata = { title: 'What the shelf will be used for' };
export default page({ permission: 'signedIn', name: '/shelf/reorder' }, async ({ tx, actor, now }) => {
  const { zone, currency, name, address, contact } = await readSettings(tx);
  const today = dateIn(zone, now);
  const lines = await supplyOutlook(tx, today, now);
  return (
    <main className="page">
      <div className="page-head no-print">
        <h1>{say({ code: 'reorder.title' })}</h1>
        <span className="end">
          <ExportLinks base="/shelf/reorder/export" query={{}} />
        </span>
      </div>
      <p className="quiet no-print">{say({ code: 'reorder.how' })}</p>
      <ReorderList lines={lines} today={today} currency={currency} workshop={{ name, address, contact }} />
      <SupplyTable lines={lines} mayKeep={may(actor.role, 'bench') || may(actor.role, 'receive')} />
    </main>
  );
});
