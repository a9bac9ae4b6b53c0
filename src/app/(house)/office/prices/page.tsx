import { say } from '@/core/words/say';
import { PriceTable } from '@/features/money';
import { pricesNow } from '@/features/money/server';
import { may } from '@/platform/permission';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/money';

export const metadata = { title: 'Prices' };
export default page({ permission: 'signedIn', name: '/office/prices' }, async ({ tx, actor }) => (
  <main className="page">
    <div className="page-head">
      <h1>{say({ code: 'price.title' })}</h1>
    </div>
    <PriceTable
      prices={await pricesNow(tx, { ended: true })}
      currency={(await readSettings(tx)).currency}
      mayKeep={may(actor.role, 'office')}
    />
  </main>
));
