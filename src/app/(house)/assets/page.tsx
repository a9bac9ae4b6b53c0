import { AssetTable } from '@/features/assets';
import { listAssets } from '@/features/assets/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Instruments' };
export default page({ permission: 'signedIn', name: '/assets' }, async ({ tx, search }) => (
  <main className="page">
    <div className="page-head">
      <h1>Instruments</h1>
    </div>
    <AssetTable list={await listAssets(tx, { q: search.q, after: search.after })} q={search.q} after={search.after} />
  </main>
));
