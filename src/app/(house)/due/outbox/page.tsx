import { OutboxTable, RemindButton } from '@/features/due';
import { outbox } from '@/features/due/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Outbox' };
export default page({ permission: 'receive', name: '/due/outbox' }, async ({ tx, search }) => (
  <main className="page">
    <div className="page-head">
      <h1>Outbox</h1>
      <span className="end">
        <RemindButton />
      </span>
    </div>
    <OutboxTable box={await outbox(tx, { before: search.before })} zone={(await readSettings(tx)).zone} before={search.before} />
  </main>
));
