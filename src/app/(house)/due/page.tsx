import { say } from '@/core/words/say';
import { ExportLinks } from '@/ui/export-links';
import { Link } from '@/ui/link';
import { readList } from '@/ui/list/list-address';
import { DueTable, PostToDo, RemindButton, RemindedLast } from '@/features/due';
import { dueCounts, nameOfCustomer, dueList, postToDo, remindedLast, windowOf } from '@/features/due/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/advice';
import '@/core/words/en/bookings';
import { isId } from '@/platform/shape';

export const metadata = { title: 'Due' };
export default page({ permission: 'signedIn', name: '/due' }, async ({ tx, actor, now, search }) => {
  const { zone, remindByItself } = await readSettings(tx);
  const today = dateIn(zone, now);
  const window = windowOf(search.window);
  const customerId = isId(search.customer) ? search.customer : undefined;
  const list = readList('/due', search, {
    sorts: ['due'],
    filters: { window: [window], customer: customerId ? [customerId] : [] },
  });
  const remind = may(actor.role, 'receive');
  return (
    <main className="page">
      <div className="page-head">
        <h1>Due</h1>
        <span className="end">
          <ExportLinks base="/due/export" query={{ window, customer: customerId }} calendar />
          <Link className="btn btn-plain" href="/bookings">
            {say({ code: 'booking.title' })}
          </Link>
          <Link className="btn btn-plain" href="/due/advice">
            {say({ code: 'advice.room' })}
          </Link>
          <Link className="btn btn-plain" href="/due/outbox">
            Outbox
          </Link>
          {remind && <RemindButton />}
        </span>
        <RemindedLast last={await remindedLast(tx)} byItself={remindByItself} zone={zone} />
      </div>
      {remind && <PostToDo {...await postToDo(tx)} />}
      <DueTable
        list={list}
        page={await dueList(tx, { window, today, customerId, after: list.after, down: list.down })}
        counts={await dueCounts(tx, today, customerId)}
        customer={customerId ? await nameOfCustomer(tx, customerId) : null}
        window={window}
        today={today}
        may={{ remind, interval: may(actor.role, 'bench') }}
      />
    </main>
  );
});
