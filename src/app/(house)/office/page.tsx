import { SettingsForm, UserPanel } from '@/features/office';
import { listAudit, listUsers } from '@/features/office/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { dayTime } from '@/ui/format';
import { Pager } from '@/ui/pager';

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
      <div className="sheet mt-3">
        <h2>Audit</h2>
        <table className="table mb-0">
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>What</th>
              <th>About</th>
            </tr>
          </thead>
          <tbody>
            {audit.rows.map((row) => (
              <tr key={row.id}>
                <td className="text-nowrap">{dayTime(row.at, settings.zone)}</td>
                <td>{row.actor.name}</td>
                <td>{row.action}</td>
                <td className="text-break">{row.subject}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <Pager base="/office" query={{ before: search.before }} next={audit.next} param="before" />
      </div>
    </main>
  );
});
