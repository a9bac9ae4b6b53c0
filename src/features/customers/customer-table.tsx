import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { FilterLinks } from '@/ui/list/filter-links';
import { ListSearch } from '@/ui/list/list-search';
import type { ListAddress } from '@/ui/list/list-address';
import { ListTable, type Column } from '@/ui/list/list-table';
import type { CustomerRow, listCustomers } from './server/list-customers';
import '@/core/words/en/customers';

const COLUMNS: Column<CustomerRow>[] = [
  {
    key: 'name',
    title: say({ code: 'customer.name' }),
    sort: true,
    always: true,
    cell: (row) => (
      <>
        <a className="row-link" href={`/customers/${row.id}`}>
          {row.name}
        </a>{' '}
        {row.retired && <span className="quiet small">{say({ code: 'customers.retired' })}</span>}
      </>
    ),
  },
  {
    key: 'contact',
    title: say({ code: 'customer.contact' }),
    cell: (row) => (
      <>
        {row.contact} <span className="quiet small">{row.email}</span>
      </>
    ),
  },
  {
    key: 'instruments',
    title: say({ code: 'customers.instruments' }),
    className: 'text-end mono',
    cell: (row) => row.instruments,
  },
  { key: 'inHouse', title: say({ code: 'customers.inHouse' }), className: 'text-end mono', cell: (row) => row.inHouse || '' },
  { key: 'overdue', title: say({ code: 'customers.overdue' }), className: 'text-end mono', cell: (row) => row.overdue || '' },
  { key: 'due', title: say({ code: 'customers.nextDue' }), className: 'text-nowrap', cell: (row) => day(row.nextDue) },
];

interface Props {
  list: ListAddress;
  page: Awaited<ReturnType<typeof listCustomers>>;
}

/** Customers by name, with what stands at each. */
export function CustomerTable({ list, page }: Props) {
  const { q } = list;
  return (
    <>
      {q && page.alike && (
        <p className="notice">
          {say({ code: 'customers.noHit', numbers: { text: q } })} {say({ code: 'customer.alikeHow' })}
        </p>
      )}
      <ListTable
        list={list}
        columns={COLUMNS}
        rows={page.rows}
        next={page.next}
        idOf={(row) => row.id}
        rowClass={(row) => (row.retired ? 'quiet' : '')}
        filters={
          <>
            <ListSearch list={list} label={say({ code: 'customers.search' })} />
            <FilterLinks
              list={list}
              name="retired"
              label={say({ code: 'customers.title' })}
              options={[
                ['', say({ code: 'customers.hideRetired' })],
                ['yes', say({ code: 'customers.showRetired' })],
              ]}
            />
          </>
        }
        empty={q ? say({ code: 'customers.noHit', numbers: { text: q } }) : say({ code: 'customers.none' })}
      />
    </>
  );
}
