import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { Pager } from '@/ui/pager';
import type { listChanges } from './server/changes';

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

/** What a thing is called where people read of it. */
const NAMES: Record<string, string> = {
  asset: 'instrument',
  asset_channel: 'channel',
  asset_use: 'uses',
  instrument_model: 'model',
  user: 'person',
  interval_policy: 'interval',
};
const plain = (table: string): string => NAMES[table] ?? table.replace(/_/g, ' ');

function Changed({ before, after }: { before: Record<string, unknown>; after: Record<string, unknown> }) {
  return (
    <ul className="list-unstyled mb-0 small">
      {Object.keys(after)
        .filter((name) => name !== 'updated_at')
        .flatMap((name) => parts(name, before[name], after[name]))
        .map(([name, was, is]) => (
          <li key={name}>
            {plain(name)}: <span className="mono">{was}</span> → <span className="mono">{is}</span>
          </li>
        ))}
    </ul>
  );
}

/** Of something with parts only the parts that changed. */
function parts(name: string, was: unknown, is: unknown): [string, string, string][] {
  if (isParts(was) && isParts(is))
    return [...new Set([...Object.keys(was), ...Object.keys(is)])]
      .filter((key) => JSON.stringify(was[key]) !== JSON.stringify(is[key]))
      .map((key) => [key, show(was[key]), show(is[key])]);
  return [[name, show(was), show(is)]];
}

const isParts = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
function show(value: unknown): string {
  if (value === null || value === undefined || value === '') return say({ code: 'changes.nothing' });
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > 90 ? `${text.slice(0, 88)}…` : text;
}
