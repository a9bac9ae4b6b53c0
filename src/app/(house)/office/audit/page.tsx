import { AuditTable } from '@/features/office';
import { auditActions, listAudit, listUsers } from '@/features/office/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/did';

export const metadata = { title: 'Who did what' };
export default page({ permission: 'office', name: '/office/audit' }, async ({ tx, search }) => {
  const { zone } = await readSettings(tx);
  const { before, person, action, text, from, to } = search;
  const query = { before, person, action, text, from, to };
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'audit.title' })}</h1>
      </div>
      <AuditTable
        list={await listAudit(tx, { ...query, zone })}
        query={query}
        people={await listUsers(tx)}
        actions={await auditActions(tx)}
        zone={zone}
      />
    </main>
  );
});
