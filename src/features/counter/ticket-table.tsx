import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { DayOf } from '@/ui/zone';
import { FilterLinks } from '@/ui/list/filter-links';
import type { ListAddress } from '@/ui/list/list-address';
import { ListSearch } from '@/ui/list/list-search';
import { ListTable, type Column } from '@/ui/list/list-table';
import type { TicketRow } from './server/list-tickets';
import { TICKET_STATES } from './ticket-states';
import '@/core/words/en/lists';
import '@/core/words/en/money';
import '@/core/words/en/receipts';
import '@/core/words/en/services';
import '@/core/words/en/tickets';

const COLUMNS: Column<TicketRow>[] = [
  {
    key: 'code',
    title: say({ code: 'tickets.code' }),
    always: true,
    className: 'mono text-nowrap',
    cell: (row) => (
      <a className="row-link" href={`/tickets/${row.id}`}>
        {row.code}
      </a>
    ),
  },
  {
    key: 'receipt',
    title: say({ code: 'receipt.one' }),
    asked: true,
    className: 'mono text-nowrap',
    cell: (row) => <a href={`/receipts/${row.receiptId}`}>{row.receipt}</a>,
  },
  {
    key: 'instrument',
    title: say({ code: 'receipt.instrument' }),
    cell: (row) => (
      <>
        {row.instrument} <span className="mono text-nowrap">{row.serial}</span>
      </>
    ),
  },
  { key: 'customer', title: say({ code: 'tickets.customer' }), sort: true, cell: (row) => row.customer },
  {
    key: 'wish',
    title: say({ code: 'receipt.wish' }),
    className: 'quiet',
    cell: (row) => say({ code: `service.${row.service}` }),
  },
  {
    key: 'received',
    title: say({ code: 'tickets.received' }),
    sort: true,
    className: 'text-nowrap',
    cell: (row) => <DayOf at={row.receivedAt} />,
  },
  {
    key: 'promised',
    title: say({ code: 'receipt.promised' }),
    sort: true,
    className: 'text-nowrap',
    cell: (row) => row.promiseOn && day(row.promiseOn),
  },
  {
    key: 'state',
    title: say({ code: 'receipt.state' }),
    cell: (row) => say({ code: row.ended ? `receipt.${row.ended}` : `work.status.${row.status}` }),
  },
  {
    key: 'returned',
    title: say({ code: 'tickets.returned' }),
    asked: true,
    className: 'text-nowrap',
    cell: (row) => row.returnedAt && <DayOf at={row.returnedAt} />,
  },
];

/** Tickets of all years: found, ordered, several slips in one print. */
export function TicketTable({ list, page }: { list: ListAddress; page: { rows: TicketRow[]; next: string | null } }) {
  return (
    <ListTable
      list={list}
      columns={COLUMNS}
      rows={page.rows}
      next={page.next}
      idOf={(row) => row.id}
      filters={
        <>
          <ListSearch list={list} label={say({ code: 'tickets.search' })} placeholder={say({ code: 'tickets.searchBy' })} />
          <FilterLinks
            list={list}
            name="state"
            label={say({ code: 'receipt.state' })}
            options={[
              ['', say({ code: 'list.any' })],
              ...TICKET_STATES.map((state) => [state, say({ code: `tickets.state.${state}` })] as const),
            ]}
          />
        </>
      }
      empty={say({ code: 'tickets.none' })}
      choose={{ nameOf: (row) => row.code, acts: [{ to: '/tickets/slips', name: say({ code: 'tickets.slips' }) }] }}
    />
  );
}
