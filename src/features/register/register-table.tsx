import { NONCONFORMITY_KINDS } from '@/core/record/nonconformity';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { DayOf } from '@/ui/zone';
import { FilterLinks } from '@/ui/list/filter-links';
import type { ListAddress } from '@/ui/list/list-address';
import { ListSearch } from '@/ui/list/list-search';
import { ListTable, type Column } from '@/ui/list/list-table';
import type { RegisterRow } from './server/read-register';
import '@/core/words/en/lists';
import '@/core/words/en/register';

const columns = (today: string): Column<RegisterRow>[] => [
  {
    key: 'number',
    title: say({ code: 'register.number' }),
    always: true,
    className: 'mono text-nowrap',
    cell: (row) => (
      <a className="row-link" href={`/register/${row.id}`}>
        {row.number}
      </a>
    ),
  },
  {
    key: 'opened',
    title: say({ code: 'register.opened' }),
    sort: true,
    className: 'text-nowrap',
    cell: (row) => <DayOf at={row.openedAt} />,
  },
  {
    key: 'kind',
    title: say({ code: 'register.kind' }),
    className: 'text-nowrap',
    cell: (row) => say({ code: `register.kind.${row.kind}` }),
  },
  {
    key: 'about',
    title: say({ code: 'register.about' }),
    cell: (row) => (
      <>
        <span className="mono">{row.about}</span> <span className="quiet">{row.customer}</span>
      </>
    ),
  },
  { key: 'what', title: say({ code: 'register.what' }), cell: (row) => <span className="small">{row.what}</span> },
  {
    key: 'state',
    title: say({ code: 'register.state' }),
    className: 'text-nowrap',
    cell: (row) =>
      row.closedAt ? (
        <span className="quiet">{say({ code: 'register.closed' })}</span>
      ) : row.lookAgainOn && row.lookAgainOn <= today ? (
        <strong>{say({ code: 'register.late', numbers: { on: day(row.lookAgainOn) } })}</strong>
      ) : (
        say({ code: 'register.open' })
      ),
  },
];

/** The register: what is open, or all of it. */
export function RegisterTable({
  list,
  page,
  today,
}: {
  list: ListAddress;
  page: { rows: RegisterRow[]; next: string | null };
  today: string;
}) {
  return (
    <ListTable
      list={list}
      columns={columns(today)}
      rows={page.rows}
      next={page.next}
      idOf={(row) => row.id}
      filters={
        <>
          <ListSearch list={list} label={say({ code: 'register.search' })} placeholder={say({ code: 'register.searchBy' })} />
          <FilterLinks
            list={list}
            name="state"
            label={say({ code: 'register.state' })}
            options={[
              ['', say({ code: 'register.open' })],
              ['all', say({ code: 'list.any' })],
            ]}
          />
          <FilterLinks
            list={list}
            name="kind"
            label={say({ code: 'register.kind' })}
            options={[
              ['', say({ code: 'list.any' })],
              ...NONCONFORMITY_KINDS.map((kind) => [kind, say({ code: `register.kind.${kind}` })] as const),
            ]}
          />
        </>
      }
      empty={list.q ? say({ code: 'register.nothingOf', numbers: { text: list.q } }) : say({ code: 'register.none' })}
    />
  );
}
