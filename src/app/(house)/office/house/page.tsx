import { ChangesTable, HousePanel, InstallationPanel } from '@/features/office';
import { CHANGED_TABLES, houseFindings, installationChecks, listChanges } from '@/features/office/server';
import { say } from '@/core/words/say';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/house';

export const metadata = { title: 'House' };
export default page({ permission: 'office', name: '/office/house' }, async ({ tx, actor, now, search }) => {
  const { zone } = await readSettings(tx);
  const table = search.of;
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'house.head' })}</h1>
      </div>
      <HousePanel findings={await houseFindings(tx)} zone={zone} />
      <fieldset disabled={!may(actor.role, 'office')}>
        <InstallationPanel found={await installationChecks(tx)} me={actor.name} today={dateIn(zone, now)} />
      </fieldset>
      <ChangesTable
        list={await listChanges(tx, { before: search.before, table })}
        tables={CHANGED_TABLES}
        table={table}
        before={search.before}
        zone={zone}
      />
    </main>
  );
});
