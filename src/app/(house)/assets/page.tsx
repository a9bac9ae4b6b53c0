import { say } from '@/core/words/say';
import { AssetTable } from '@/features/assets';
import { listAssets } from '@/features/assets/server';
import { ExportLinks } from '@/ui/export-links';
import { page } from '@/platform/page';
import { Link } from '@/ui/link';
import '@/core/words/en/models';

export const metadata = { title: 'Instruments' };
export default page({ permission: 'signedIn', name: '/assets' }, async ({ tx, search }) => (
  <main className="page">
    <div className="page-head">
      <h1>Instruments</h1>
      <span className="end">
        <Link className="btn btn-plain" href="/models">
          {say({ code: 'models.title' })}
        </Link>
        <ExportLinks base="/assets/export" />
      </span>
    </div>
    <AssetTable list={await listAssets(tx, { q: search.q, after: search.after })} q={search.q} after={search.after} />
  </main>
));
