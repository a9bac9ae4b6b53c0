import { say } from '@/core/words/say';
import { SuppliersView } from '@/features/suppliers';
import { listSuppliers } from '@/features/suppliers/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import '@/core/words/en/suppliers';

export const metadata = { title: 'Suppliers' };
export default page({ permission: 'signedIn', name: '/shelf/suppliers' }, async ({ tx, actor, now }) => {
  const { zone } = await readSettings(tx);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'supplier.title' })}</h1>
        <span className="quiet">{say({ code: 'supplier.what' })}</span>
        <span className="end">
          <ExportLinks base="/shelf/suppliers/export" query={{}} />
        </span>
      </div>
      <SuppliersView
        lines={await listSuppliers(tx)}
        today={dateIn(zone, now)}
        zone={zone}
        mayEvaluate={may(actor.role, 'approve')}
      />
    </main>
  );
});
