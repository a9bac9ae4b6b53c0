import { AuditTable, SettingsForm, UserPanel, WaysPanel } from '@/features/office';
import { listAudit, listUsers, listWays } from '@/features/office/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Office' };
export default page({ permission: 'office', name: '/office' }, async ({ tx, search }) => {
  const [settings, users, ways, audit] = [
    await readSettings(tx),
    await listUsers(tx),
    await listWays(tx),
    await listAudit(tx, { before: search.before }),
  ];
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>Office</h1>
      </div>
      <SettingsForm settings={settings} />
      <div className="mt-3">
        <UserPanel users={users} />
      </div>
      <WaysPanel ways={ways} />
      <AuditTable list={audit} before={search.before} zone={settings.zone} />
    </main>
  );
});
