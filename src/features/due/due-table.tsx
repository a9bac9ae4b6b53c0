import { Link } from '@/ui/link';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { day } from '@/ui/format';
import { Pager } from '@/ui/pager';
import { CustomerFilter } from './customer-filter';
import type { dueCounts, dueList, DueWindow } from './server/due-list';

const WINDOWS: [DueWindow, string][] = [
  ['overdue', 'Overdue'],
  ['thisMonth', 'Rest of this month'],
  ['nextMonth', 'Next month'],
  ['all', 'All'],
];

interface Props {
  list: Awaited<ReturnType<typeof dueList>>;
  counts: Awaited<ReturnType<typeof dueCounts>>;
  /** Whose list it is, where one is chosen. */
  customer: string | null;
  window: DueWindow;
  customerId?: string | undefined;
  after?: string | undefined;
  today: string;
}

/** What is due, soonest first. Window, customer and page stand in the address. */
export function DueTable({ list, counts, customer, window, customerId, after, today }: Props) {
  const href = (to: DueWindow) => `/due?${new URLSearchParams({ window: to, ...(customerId ? { customer: customerId } : {}) })}`;
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-center mb-3">
        <nav className="tabs" aria-label="Window">
          {WINDOWS.map(([key, name]) => (
            <Link key={key} href={href(key)} aria-current={key === window}>
              {name} <strong>{counted(counts[key])}</strong>
            </Link>
          ))}
        </nav>
        <CustomerFilter key={customerId ?? ''} chosen={customer} window={window} />
      </div>
      <div className="sheet">
        {list.rows.length === 0 ? (
          <div className="empty">
            Nothing here. A due date is set when a calibration is approved in tolerance and an interval is set for the instrument,
            its customer or its model.
          </div>
        ) : (
          <table className="table mb-0">
            <thead>
              <tr>
                <th>Due</th>
                <th />
                <th>Instrument</th>
                <th>Serial</th>
                <th>Customer</th>
                <th>Rests on</th>
              </tr>
            </thead>
            <tbody>
              {list.rows.map((row) => {
                const days = differenceInCalendarDays(parseISO(row.nextDue!), parseISO(today));
                return (
                  <tr key={row.id}>
                    <td className="text-nowrap fw-semibold">{day(row.nextDue)}</td>
                    <td>
                      <span className={days < 0 ? 'verdict outside' : 'quiet'}>
                        {days < 0
                          ? days === -1
                            ? '1 day over'
                            : `${-days} days over`
                          : days === 0
                            ? 'today'
                            : days === 1
                              ? 'tomorrow'
                              : `in ${days} days`}
                      </span>
                    </td>
                    <td>
                      <Link className="row-link" href={`/assets/${row.id}`}>
                        {row.maker} {row.model}
                      </Link>
                    </td>
                    <td className="mono">
                      {row.serial} <span className="quiet">{row.tag}</span>
                    </td>
                    <td>
                      {row.customer}
                      {!row.wantsReminders && <span className="quiet"> (no reminders)</span>}
                    </td>
                    <td>
                      <span className="small quiet">
                        {row.basis?.certificate ? `${row.basis.certificate}, ` : ''}
                        {row.basis?.reason}
                      </span>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
        <Pager base="/due" query={{ window, customer: customerId, after }} next={list.next} param="after" />
      </div>
    </>
  );
}

/** Beyond a thousand it is only said that there are more: counting them all is work for nobody. */
const counted = (n: number): string => (n > 1000 ? '1000+' : String(n));
