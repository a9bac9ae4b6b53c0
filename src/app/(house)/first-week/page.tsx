import { FirstWeek } from '@/features/setup';
import { firstWeek } from '@/features/setup/server';
import { say } from '@/core/words/say';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/setup';

export const metadata = { title: 'First week' };
export default page({ permission: 'signedIn', name: '/first-week' }, async ({ tx, now }) => (
  <main className="page page-narrow">
    <div className="page-head">
      <h1>{say({ code: 'week.title' })}</h1>
    </div>
    <FirstWeek steps={await firstWeek(tx, dateIn((await readSettings(tx)).zone, now))} />
  </main>
));
