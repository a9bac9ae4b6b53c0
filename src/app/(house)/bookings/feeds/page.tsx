import { asc } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { user } from '@/data/schema';
import { FeedsView } from '@/features/feeds';
import { allFeeds } from '@/features/feeds/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/feeds';

export const metadata = { title: 'Calendar feeds' };
export default page({ permission: 'signedIn', name: '/bookings/feeds' }, async ({ tx, actor }) => (
  <main className="page page-narrow">
    <div className="page-head">
      <h1>{say({ code: 'feed.title' })}</h1>
    </div>
    <p className="quiet">{say({ code: 'feed.how' })}</p>
    <FeedsView
      feeds={await allFeeds(tx)}
      people={await tx.select({ id: user.id, name: user.name }).from(user).orderBy(asc(user.name))}
      zone={(await readSettings(tx)).zone}
      may={may(actor.role, 'receive')}
    />
  </main>
));
