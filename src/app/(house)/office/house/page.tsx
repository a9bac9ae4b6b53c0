import { ChangesTable, HousePanel } from '@/features/office';
import { CHANGED_TABLES, houseFindings, listChanges } from '@/features/office/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/house';

export const metadata = { title: 'House' };
export default page({ permission: 'office', name: '/office/house' }, async ({ tx, search }) => {
  const { zone } = await readSettings(tx);
  const table = search.of;
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'house.head' })}</h1>
      </div>
      <HousePanel findings={await houseFindings(tx)} zone={zone} />
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
