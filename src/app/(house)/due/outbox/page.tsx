import { OutboxTable, RemindButton } from '@/features/due';
import { outbox } from '@/features/due/server';
import { MAIL_STATES } from '@/core/stored/mail-state';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { readList } from '@/ui/list/list-address';

export const metadata = { title: 'Outbox' };
export default page({ permission: 'receive', name: '/due/outbox' }, async ({ tx, search }) => {
  const list = readList('/due/outbox', search, { sorts: ['made'], filters: { state: MAIL_STATES }, down: true });
  const state = MAIL_STATES.find((one) => one === list.filters.state);
  return (
    <main className="page">
      <div className="page-head">
        <h1>Outbox</h1>
        <span className="end">
          <RemindButton />
        </span>
      </div>
      <OutboxTable
        list={list}
        box={await outbox(tx, { before: list.after, q: list.q, state })}
        zone={(await readSettings(tx)).zone}
      />
    </main>
  );
});
