import { say } from '@/core/words/say';
import { CustomerTable, NewCustomerPanel } from '@/features/customers';
import { listCustomers } from '@/features/customers/server';
import { dateIn } from '@/platform/clock';
import { ExportLinks } from '@/ui/export-links';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { Link } from '@/ui/link';
import { queryOf, readList } from '@/ui/list/list-address';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/customers';
import '@/core/words/en/imports';
import '@/core/words/en/questions';

export const metadata = { title: 'Customers' };
export default page({ permission: 'signedIn', name: '/customers' }, async ({ tx, actor, now, search }) => {
  const list = readList('/customers', search, { sorts: ['name'], filters: { retired: ['yes'] } });
  const { q, after, down } = list;
  const retired = list.filters.retired === 'yes';
  const today = dateIn((await readSettings(tx)).zone, now);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'customers.title' })}</h1>
        <span className="end d-flex gap-2">
          <Link className="btn btn-plain" href="/customers/questions">
            {say({ code: 'question.title' })}
          </Link>
          {may(actor.role, 'office') && (
            <Link className="btn btn-plain" href="/imports">
              {say({ code: 'import.link' })}
            </Link>
          )}
          <ExportLinks base="/customers/export" query={queryOf(list)} />
        </span>
      </div>
      {may(actor.role, 'receive') && (
        <div className="mb-3">
          <NewCustomerPanel />
        </div>
      )}
      <CustomerTable list={list} page={await listCustomers(tx, { q, after, down, retired, today })} />
    </main>
  );
});
