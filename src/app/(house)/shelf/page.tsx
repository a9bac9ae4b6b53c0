import { Link } from '@/ui/link';
import { say } from '@/core/words/say';
import { benchLines } from '@/features/lines/server';
import { NewReference, ShelfTable } from '@/features/shelf';
import { referenceSnapshots } from '@/features/shelf/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/stock';

export const metadata = { title: 'Shelf' };
export default page({ permission: 'signedIn', name: '/shelf' }, async ({ tx, now, actor }) => (
  <main className="page">
    <div className="page-head">
      <h1>Shelf</h1>
      <span className="quiet">Gas left is the content at the last pressure reading less what runs drew.</span>
      <span className="end">
        <Link href="/stock">{say({ code: 'stock.title' })}</Link>
        <Link href="/probes">Ready probes</Link>
        <Link href="/devices">Devices on a line</Link>
        <Link href="/station">Station log</Link>
        {may(actor.role, 'bench') && <Link href="/office/budgets">Budgets</Link>}
      </span>
    </div>
    {may(actor.role, 'bench') && (
      <NewReference
        readers={(await benchLines(tx))
          .filter((one) => one.kind === 'tagReader')
          .map(({ id, name, state, panel }) => ({ id, name, state, panel }))}
      />
    )}
    <ShelfTable references={await referenceSnapshots(tx)} today={dateIn((await readSettings(tx)).zone, now)} />
  </main>
));
