import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { Changed, plain } from '@/ui/changed';
import { Pager } from '@/ui/pager';
import type { listChanges } from './server/changes';
import '@/core/words/en/house';

interface Props {
  list: Awaited<ReturnType<typeof listChanges>>;
  tables: readonly string[];
  table: string | undefined;
  before: string | undefined;
  zone: string;
}

/** Who changed what, from what to what. */
export function ChangesTable({ list, tables, table, before, zone }: Props) {
  return (
    <div className="sheet mt-3" id="changes">
      <h2>{say({ code: 'changes.title' })}</h2>
      <p className="quiet small">{say({ code: 'changes.what' })}</p>
      <nav className="d-flex flex-wrap gap-2 small mb-2" aria-label={say({ code: 'changes.filter' })}>
        <Link href="/office/house" aria-current={table ? undefined : 'true'}>
          {say({ code: 'changes.all' })}
        </Link>
        {tables.map((one) => (
          <Link key={one} href={`/office/house?of=${one}`} aria-current={one === table ? 'true' : undefined}>
            {plain(one)}
          </Link>
        ))}
      </nav>
      <table className="table mb-0">
        <tbody>
          {list.rows.map((row) => (
            <tr key={row.id} data-testid="change">
              <td className="text-nowrap">{dayTime(row.at, zone)}</td>
              <td>{row.actor.role === 'program' ? say({ code: 'changes.program' }) : row.actor.name}</td>
              <td>
                {plain(row.tableName)}{' '}
                <span className="mono text-break">{list.names[`${row.tableName}/${row.rowKey}`] ?? row.rowKey.slice(0, 18)}</span>
              </td>
              <td className="text-break">
                {row.kind === 'changed' ? (
                  <Changed before={row.before ?? {}} after={row.after ?? {}} />
                ) : (
                  say({ code: row.kind === 'taken' ? 'changes.taken' : 'changes.made' })
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Pager base="/office/house" query={{ of: table, before }} next={list.next} param="before" />
    </div>
  );
}
