import { STATUSES } from '@/core/results/instrument-status';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { DayOf } from '@/ui/zone';
import { Link } from '@/ui/link';
import { FilterLinks } from '@/ui/list/filter-links';
import { ListSearch } from '@/ui/list/list-search';
import type { ListAddress } from '@/ui/list/list-address';
import { ListTable, type Column } from '@/ui/list/list-table';
import { StatusMark } from '@/ui/status-mark';
import { VerdictMark } from '@/ui/verdict-mark';
import type { AssetRow } from './server/list-assets';
import '@/core/words/en/assets';
import '@/core/words/en/lists';
import '@/core/words/en/status';

const COLUMNS: Column<AssetRow>[] = [
  {
    key: 'serial',
    title: say({ code: 'assets.serial' }),
    sort: true,
    always: true,
    className: 'mono text-nowrap',
    cell: (row) => (
      <a className="row-link" href={`/assets/${row.id}`}>
        {row.serial}
      </a>
    ),
  },
  { key: 'tag', title: say({ code: 'assets.tag' }), sort: true, className: 'mono text-nowrap', cell: (row) => row.tag },
  { key: 'instrument', title: say({ code: 'assets.instrument' }), sort: true, cell: (row) => `${row.maker} ${row.model}` },
  { key: 'kind', title: say({ code: 'assets.kind' }), sort: true, className: 'quiet', cell: (row) => row.kind },
  { key: 'customer', title: say({ code: 'assets.customer' }), sort: true, cell: (row) => row.customer },
  { key: 'site', title: say({ code: 'assets.site' }), asked: true, cell: (row) => row.site },
  {
    key: 'due',
    title: say({ code: 'assets.nextDue' }),
    sort: true,
    className: 'text-nowrap',
    cell: (row) => (row.status === 'inUse' ? day(row.nextDue) : <StatusMark status={row.status} />),
  },
  { key: 'status', title: say({ code: 'assets.status' }), asked: true, cell: (row) => say({ code: `status.${row.status}` }) },
  {
    key: 'bumped',
    title: say({ code: 'assets.bumped' }),
    asked: true,
    className: 'text-nowrap',
    cell: (row) =>
      row.bumpedAt && (
        <>
          <DayOf at={row.bumpedAt} /> <VerdictMark state={row.bumpPassed ? 'within' : 'outside'} />
        </>
      ),
  },
];

interface Props {
  list: ListAddress;
  page: { rows: AssetRow[]; next: string | null };
  /** Whether whoever looks may set intervals. */
  mayInterval: boolean;
}

/** Instruments: found, ordered, and several chosen for one act. */
export function AssetTable({ list, page, mayInterval }: Props) {
  return (
    <>
      <ListTable
        list={list}
        columns={COLUMNS}
        rows={page.rows}
        next={page.next}
        idOf={(row) => row.id}
        filters={
          <>
            <ListSearch list={list} label={say({ code: 'assets.search' })} placeholder={say({ code: 'assets.searchBy' })} />
            <FilterLinks
              list={list}
              name="status"
              label={say({ code: 'assets.status' })}
              options={[
                ['', say({ code: 'list.any' })],
                ...STATUSES.map((status) => [status, say({ code: `status.${status}` })] as const),
              ]}
            />
          </>
        }
        empty={
          <>
            {list.q ? say({ code: 'assets.nothingOf', numbers: { text: list.q } }) : say({ code: 'assets.none' })}{' '}
            <Link href="/receive">{say({ code: 'assets.receive' })}</Link>
          </>
        }
        choose={{
          nameOf: (row) => row.serial,
          acts: [
            { to: '/assets/labels', name: say({ code: 'assets.labels' }) },
            { to: '/assets/zip', name: say({ code: 'assets.zip' }) },
            ...(mayInterval ? [{ to: '/assets/interval', name: say({ code: 'assets.interval' }) }] : []),
          ],
        }}
      />
    </>
  );
}
