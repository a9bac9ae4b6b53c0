import { say } from '@/core/words/say';
import { AssetTable } from '@/features/assets';
import { assetList, listAssets } from '@/features/assets/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { ExportLinks } from '@/ui/export-links';
import { Link } from '@/ui/link';
import { queryOf } from '@/ui/list/list-address';
import '@/core/words/en/assets';
import '@/core/words/en/models';

export const metadata = { title: 'Instruments' };
export default page({ permission: 'signedIn', name: '/assets' }, async ({ tx, actor, search }) => {
  const { list, asked } = assetList(search);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'assets.title' })}</h1>
        <span className="end">
          <Link className="btn btn-plain" href="/models">
            {say({ code: 'models.title' })}
          </Link>
          <ExportLinks base="/assets/export" query={queryOf(list)} />
        </span>
      </div>
      <AssetTable
        list={list}
        page={await listAssets(tx, { ...asked, after: list.after })}
        mayInterval={may(actor.role, 'bench')}
      />
    </main>
  );
});
