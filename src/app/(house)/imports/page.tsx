import { ImportsTable, NewImport } from '@/features/imports';
import { listImports } from '@/features/imports/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/imports';

export const metadata = { title: 'Import tables' };
export default page({ permission: 'office', name: '/imports' }, async ({ tx, actor }) => (
  <main className="page page-narrow">
    <div className="page-head">
      <h1>{say({ code: 'import.title' })}</h1>
    </div>
    <p className="quiet">{say({ code: 'import.intro' })}</p>
    {may(actor.role, 'office') && <NewImport />}
    <ImportsTable batches={await listImports(tx)} zone={(await readSettings(tx)).zone} />
  </main>
));
