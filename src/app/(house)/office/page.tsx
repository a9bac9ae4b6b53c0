import { AuditTable, ChangesTable, HousePanel, SettingsForm, UserPanel, WaysPanel } from '@/features/office';
import { CHANGED_TABLES, houseFindings, listAudit, listChanges, listUsers, listWays } from '@/features/office/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Office' };
export default page({ permission: 'office', name: '/office' }, async ({ tx, actor, search }) => {
  const [settings, users, ways, audit, changes, findings] = [
    await readSettings(tx),
    await listUsers(tx),
    await listWays(tx),
    await listAudit(tx, { before: search.before }),
    await listChanges(tx, { before: search.changes, table: search.of }),
    await houseFindings(tx),
  ];
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>Office</h1>
      </div>
      <SettingsForm settings={settings} />
      <div className="mt-3">
        <UserPanel users={users} me={actor.id} />
      </div>
      <WaysPanel ways={ways} />
      <HousePanel findings={findings} zone={settings.zone} />
      <ChangesTable list={changes} tables={CHANGED_TABLES} table={search.of} before={search.changes} zone={settings.zone} />
      <AuditTable list={audit} before={search.before} zone={settings.zone} />
    </main>
  );
});
