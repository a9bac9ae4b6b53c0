import { STATUSES } from '@/core/results/instrument-status';
import { say } from '@/core/words/say';
import { AssetTable } from '@/features/assets';
import { ASSET_SORTS, listAssets, type AssetSort } from '@/features/assets/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { ExportLinks } from '@/ui/export-links';
import { Link } from '@/ui/link';
import { readList } from '@/ui/list/list-address';
import '@/core/words/en/assets';
import '@/core/words/en/models';

export const metadata = { title: 'Instruments' };
export default page({ permission: 'signedIn', name: '/assets' }, async ({ tx, actor, search }) => {
  const list = readList('/assets', search, { sorts: ASSET_SORTS, filters: { status: STATUSES } });
  const status = STATUSES.find((one) => one === list.filters.status);
  const { q, after, down } = list;
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'assets.title' })}</h1>
        <span className="end">
          <Link className="btn btn-plain" href="/models">
            {say({ code: 'models.title' })}
          </Link>
          <ExportLinks base="/assets/export" />
        </span>
      </div>
      <AssetTable
        list={list}
        page={await listAssets(tx, { q, after, down, sort: list.sort as AssetSort, status })}
        mayInterval={may(actor.role, 'bench')}
      />
    </main>
  );
});
