import { AuditTable, SettingsForm, UserPanel } from '@/features/office';
import { listAudit, listUsers } from '@/features/office/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Office' };
export default page({ permission: 'office', name: '/office' }, async ({ tx, search }) => {
  const [settings, users, audit] = [await readSettings(tx), await listUsers(tx), await listAudit(tx, { before: search.before })];
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>Office</h1>
      </div>
      <SettingsForm settings={settings} />
      <div className="mt-3">
        <UserPanel users={users} />
      </div>
      <AuditTable list={audit} before={search.before} zone={settings.zone} />
    </main>
  );
});
