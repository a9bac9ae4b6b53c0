import { say } from '@/core/words/say';
import { TraceForm, TraceTable } from '@/features/recall';
import { countUsed, nameOfTraced, traceAddress, whereUsed } from '@/features/recall/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import { queryOf } from '@/ui/list/list-address';
import '@/core/words/en/recall';

export const metadata = { title: 'Where it was used' };
export default page({ permission: 'signedIn', name: '/trace' }, async ({ tx, search }) => {
  const { list, asked } = traceAddress(search);
  const { zone } = await readSettings(tx);
  const name = asked ? await nameOfTraced(tx, asked) : null;
  return (
    <main className="page">
      <div className="page-head">
        <h1>{name ? say({ code: 'trace.ofWhich', numbers: { name } }) : say({ code: 'trace.title' })}</h1>
        {asked && (
          <span className="end">
            <ExportLinks base="/trace/export" query={queryOf(list)} />
          </span>
        )}
      </div>
      <p className="quiet">{say({ code: 'trace.how' })}</p>
      <TraceForm search={search} />
      {asked && (
        <TraceTable
          list={list}
          page={await whereUsed(tx, { ...asked, zone, after: list.after })}
          counts={await countUsed(tx, { ...asked, zone })}
          zone={zone}
        />
      )}
    </main>
  );
});
