import { say } from '@/core/words/say';
import { TicketTable } from '@/features/counter';
import { listTickets, ticketList } from '@/features/counter/server';
import { page } from '@/platform/page';
import { ExportLinks } from '@/ui/export-links';
import { Link } from '@/ui/link';
import { queryOf } from '@/ui/list/list-address';
import '@/core/words/en/money';
import '@/core/words/en/tickets';

export const metadata = { title: 'Tickets' };
export default page({ permission: 'signedIn', name: '/tickets' }, async ({ tx, search }) => {
  const { list, asked } = ticketList(search);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'tickets.title' })}</h1>
        <span className="end">
          <Link className="btn btn-plain" href="/work">
            {say({ code: 'work.title' })}
          </Link>
          <ExportLinks base="/tickets/export" query={queryOf(list)} />
        </span>
      </div>
      <TicketTable list={list} page={await listTickets(tx, { ...asked, after: list.after })} />
    </main>
  );
});
