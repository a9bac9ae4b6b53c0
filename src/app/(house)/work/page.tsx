import { say } from '@/core/words/say';
import { WorkTable } from '@/features/money';
import { workInHouse } from '@/features/money/server';
import { page } from '@/platform/page';
import { Link } from '@/ui/link';
import '@/core/words/en/money';
import '@/core/words/en/plan';
import '@/core/words/en/tickets';

export const metadata = { title: 'Work in the house' };
export default page({ permission: 'signedIn', name: '/work' }, async ({ tx, now }) => {
  const { lines, turnaround, today } = await workInHouse(tx, now);
  const month = today.slice(0, 7);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'work.title' })}</h1>
        <span className="quiet">{say({ code: 'work.what' })}</span>
        <span className="end d-flex flex-wrap gap-2">
          <Link className="btn btn-plain" href="/plan">
            {say({ code: 'plan.title' })}
          </Link>
          <Link className="btn btn-plain" href="/tickets">
            {say({ code: 'tickets.title' })}
          </Link>
          <Link className="btn btn-plain" href="/office/prices">
            {say({ code: 'price.title' })}
          </Link>
          {/* A file, not a page: the browser asks for it itself. */}
          <a className="btn btn-plain" href={`/work/delivered?from=${month}-01&to=${today}&as=xlsx`}>
            {say({ code: 'work.invoices' })}
          </a>
        </span>
      </div>
      <WorkTable lines={lines} turnaround={turnaround} />
    </main>
  );
});
