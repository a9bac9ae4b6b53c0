import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { Link } from '@/ui/link';
import { Pager } from '@/ui/pager';
import { SearchField } from '@/ui/search-field';
import type { listCustomers } from './server/list-customers';
import '@/core/words/en/customers';

interface Props {
  list: Awaited<ReturnType<typeof listCustomers>>;
  q: string | undefined;
  after: string | undefined;
  retired: boolean;
}

/** Customers by name, with what stands at each. */
export function CustomerTable({ list, q, after, retired }: Props) {
  const toggle = new URLSearchParams({ ...(q ? { q } : {}), ...(retired ? {} : { retired: 'yes' }) });
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <SearchField
          base="/customers"
          initial={q ?? ''}
          label={say({ code: 'customers.search' })}
          placeholder={say({ code: 'customers.search' })}
        />
        <Link href={`/customers?${toggle}`}>{say({ code: retired ? 'customers.hideRetired' : 'customers.showRetired' })}</Link>
      </div>
      <div className="sheet">
        {q && (list.alike || list.rows.length === 0) && (
          <p className={list.alike ? 'notice' : 'empty'}>
            {say({ code: 'customers.noHit', numbers: { text: q } })} {list.alike && say({ code: 'customer.alikeHow' })}
          </p>
        )}
        {!q && list.rows.length === 0 && <div className="empty">{say({ code: 'customers.none' })}</div>}
        {list.rows.length > 0 && (
          <table className="table mb-0">
            <thead>
              <tr>
                <th>{say({ code: 'customer.name' })}</th>
                <th>{say({ code: 'customer.contact' })}</th>
                <th className="text-end">{say({ code: 'customers.instruments' })}</th>
                <th className="text-end">{say({ code: 'customers.inHouse' })}</th>
                <th className="text-end">{say({ code: 'customers.overdue' })}</th>
                <th>{say({ code: 'customers.nextDue' })}</th>
              </tr>
            </thead>
            <tbody>
              {list.rows.map((row) => (
                <tr key={row.id}>
                  <td>
                    <Link className="row-link" href={`/customers/${row.id}`}>
                      {row.name}
                    </Link>{' '}
                    {row.retired && <span className="quiet small">{say({ code: 'customers.retired' })}</span>}
                  </td>
                  <td>
                    {row.contact} <span className="quiet small">{row.email}</span>
                  </td>
                  <td className="text-end mono">{row.instruments}</td>
                  <td className="text-end mono">{row.inHouse || ''}</td>
                  <td className="text-end mono">{row.overdue || ''}</td>
                  <td>{day(row.nextDue)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <Pager base="/customers" query={{ q, after, retired: retired ? 'yes' : undefined }} next={list.next} param="after" />
      </div>
    </>
  );
}
