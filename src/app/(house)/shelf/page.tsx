import { ShelfTable } from '@/features/shelf';
import { referenceSnapshots } from '@/features/shelf/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Shelf' };
export default page({ permission: 'signedIn', name: '/shelf' }, async ({ tx, now }) => (
  <main className="page">
    <div className="page-head">
      <h1>Shelf</h1>
      <span className="quiet">Gas left is the content at the last pressure reading less what runs drew.</span>
    </div>
    <ShelfTable references={await referenceSnapshots(tx)} today={dateIn((await readSettings(tx)).zone, now)} />
  </main>
));
