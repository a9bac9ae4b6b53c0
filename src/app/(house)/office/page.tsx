import { AuditTable, SettingsForm, UserPanel, WaysPanel } from '@/features/office';
import { listAudit, listUsers, listWays } from '@/features/office/server';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Office' };
export default page({ permission: 'office', name: '/office' }, async ({ tx, actor, search }) => {
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
        <Link className="end btn btn-plain" href="/office/house">
          {say({ code: 'house.link' })}
        </Link>
      </div>
      <SettingsForm settings={settings} />
      <div className="mt-3">
        <UserPanel users={users} me={actor.id} />
      </div>
      <WaysPanel ways={ways} />
      <AuditTable list={audit} before={search.before} zone={settings.zone} />
    </main>
  );
});
