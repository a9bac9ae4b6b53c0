import { Link } from '@/ui/link';
import { day } from '@/ui/format';
import { StatusMark } from '@/ui/status-mark';
import { Pager } from '@/ui/pager';
import { SearchField } from '@/ui/search-field';
import type { listAssets } from './server/asset-card';

export function AssetTable({
  list,
  q,
  after,
}: {
  list: Awaited<ReturnType<typeof listAssets>>;
  q?: string | undefined;
  after?: string | undefined;
}) {
  return (
    <>
      <SearchField
        base="/assets"
        initial={q ?? ''}
        label="Search instruments"
        placeholder="Serial, tag, maker, model or customer"
      />
      <div className="sheet">
        {list.rows.length === 0 ? (
          <div className="empty">
            {q ? `Nothing on record for “${q}”. ` : 'No instrument yet. '}
            <Link href="/receive">Receive it</Link> to make it.
          </div>
        ) : (
          <table className="table mb-0">
            <thead>
              <tr>
                <th>Serial</th>
                <th>Tag</th>
                <th>Instrument</th>
                <th>Customer</th>
                <th>Next due</th>
              </tr>
            </thead>
            <tbody>
              {list.rows.map((row) => (
                <tr key={row.id}>
                  <td>
                    <Link className="row-link mono" href={`/assets/${row.id}`}>
                      {row.serial}
                    </Link>
                  </td>
                  <td className="mono">{row.tag}</td>
                  <td>
                    {row.maker} {row.model} <span className="quiet">{row.kind}</span>
                  </td>
                  <td>{row.customer}</td>
                  <td>{row.status === 'inUse' ? day(row.nextDue) : <StatusMark status={row.status} />}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <Pager base="/assets" query={{ q, after }} next={list.next} param="after" />
      </div>
    </>
  );
}
