import { differenceInCalendarDays, parseISO } from 'date-fns';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { hrefOf, type ListAddress } from '@/ui/list/list-address';
import { ListTable, type Column } from '@/ui/list/list-table';
import { CustomerFilter } from './customer-filter';
import type { dueCounts, dueList, DueWindow } from './server/due-list';
import '@/core/words/en/assets';
import '@/core/words/en/due';

type Row = Awaited<ReturnType<typeof dueList>>['rows'][number];
const WINDOWS: DueWindow[] = ['overdue', 'thisMonth', 'nextMonth', 'all'];

const columns = (today: string): Column<Row>[] => [
  {
    key: 'due',
    title: say({ code: 'due.due' }),
    sort: true,
    always: true,
    className: 'text-nowrap fw-semibold',
    cell: (row) => day(row.nextDue),
  },
  {
    key: 'when',
    title: say({ code: 'due.when' }),
    className: 'text-nowrap',
    cell: (row) => {
      const days = differenceInCalendarDays(parseISO(row.nextDue!), parseISO(today));
      return <span className={days < 0 ? 'verdict outside' : 'quiet'}>{when(days)}</span>;
    },
  },
  {
    key: 'instrument',
    title: say({ code: 'assets.instrument' }),
    always: true,
    cell: (row) => (
      <a className="row-link" href={`/assets/${row.id}`}>
        {row.maker} {row.model}
      </a>
    ),
  },
  {
    key: 'serial',
    title: say({ code: 'assets.serial' }),
    className: 'mono text-nowrap',
    cell: (row) => (
      <>
        {row.serial} <span className="quiet">{row.tag}</span>
      </>
    ),
  },
  {
    key: 'customer',
    title: say({ code: 'assets.customer' }),
    cell: (row) => (
      <>
        {row.customer}
        {!row.wantsReminders && <span className="quiet"> {say({ code: 'due.noReminders' })}</span>}
      </>
    ),
  },
  {
    key: 'basis',
    title: say({ code: 'due.restsOn' }),
    className: 'small quiet',
    cell: (row) => `${row.basis?.certificate ? `${row.basis.certificate}, ` : ''}${row.basis?.reason ?? ''}`,
  },
];

function when(days: number): string {
  if (days === 0) return say({ code: 'due.today' });
  return days < 0 ? say({ code: 'due.over', numbers: { days: -days } }) : say({ code: 'due.in', numbers: { days } });
}

interface Props {
  list: ListAddress;
  page: Awaited<ReturnType<typeof dueList>>;
  counts: Awaited<ReturnType<typeof dueCounts>>;
  /** Whose list it is, where one is chosen. */
  customer: string | null;
  window: DueWindow;
  today: string;
  may: { remind: boolean; interval: boolean };
}

/** What is due, soonest first unless said otherwise. Window, customer and page stand in the address. */
export function DueTable({ list, page, counts, customer, window, today, may }: Props) {
  return (
    <>
      <div className="mb-2">
        <CustomerFilter key={list.filters.customer ?? ''} chosen={customer} window={window} />
      </div>
      <ListTable
        list={list}
        columns={columns(today)}
        rows={page.rows}
        next={page.next}
        idOf={(row) => row.id}
        filters={
          <nav className="tabs" aria-label="Window">
            {WINDOWS.map((key) => (
              <a key={key} href={hrefOf(list, { filters: { window: key } })} aria-current={key === window}>
                {say({ code: `due.${key}` })} <strong>{counted(counts[key])}</strong>
              </a>
            ))}
          </nav>
        }
        empty={say({ code: 'due.none' })}
        choose={{
          nameOf: (row) => row.serial,
          acts: [
            ...(may.remind ? [{ to: '/due/remind', name: say({ code: 'remind.act' }) }] : []),
            ...(may.interval ? [{ to: '/assets/interval', name: say({ code: 'assets.interval' }) }] : []),
            { to: '/assets/labels', name: say({ code: 'assets.labels' }) },
          ],
        }}
      />
    </>
  );
}

/** Beyond a thousand it is only said that there are more: counting them all is work for nobody. */
const counted = (n: number): string => (n > 1000 ? '1000+' : String(n));
