import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { SoftLinks } from '@/ui/list/soft-links';
import { VerdictMark } from '@/ui/verdict-mark';
import type { WorkLine } from './server/work-in-house';
import { UNCOLLECTED_AFTER_DAYS } from './spans';
import '@/core/words/en/money';

interface Props {
  lines: readonly WorkLine[];
  turnaround: { n: number; middle: number; most: number } | null;
}

/** Every instrument in the house, the most urgent first, and what presses in one line above. */
export function WorkTable({ lines, turnaround }: Props) {
  const late = lines.filter((one) => one.late > 0).length;
  const waiting = lines.filter((one) => one.offer).length;
  const left = lines.filter((one) => (one.readyFor ?? 0) > UNCOLLECTED_AFTER_DAYS).length;
  return (
    <>
      <div className="d-flex flex-wrap gap-3 mb-3" data-testid="work-told">
        {late > 0 && <VerdictMark state="outside" word={say({ code: 'work.overdue', numbers: { count: late } })} />}
        {waiting > 0 && <span>{say({ code: 'work.waiting', numbers: { count: waiting } })}</span>}
        {left > 0 && <span>{say({ code: 'work.uncollected', numbers: { count: left, days: UNCOLLECTED_AFTER_DAYS } })}</span>}
        <span className="quiet">
          {turnaround
            ? say({ code: 'work.turnaround', numbers: { n: turnaround.n, middle: turnaround.middle, most: turnaround.most } })
            : say({ code: 'work.noTurnaround' })}
        </span>
      </div>
      {lines.length === 0 && <p className="quiet">{say({ code: 'work.none' })}</p>}
      <SoftLinks>
        <table className="table sheet">
          <tbody>
            {lines.map((one) => (
              <tr key={one.ticketId} data-testid="work-line">
                <td>
                  <a className="mono" href={`/tickets/${one.ticketId}`}>
                    {one.code}
                  </a>
                </td>
                <td>
                  {one.instrument} <span className="mono small">{one.serial}</span>
                  <span className="d-block small">
                    <a href={`/customers/${one.customerId}`}>{one.customer}</a> <span className="quiet">{one.phone}</span>
                  </span>
                </td>
                <td>
                  {say({ code: `work.status.${one.status}` })}
                  {one.place && <span className="mono"> {one.place}</span>}
                  {one.offer && (
                    <span className="d-block small fw-semibold">
                      {say({ code: 'work.word' })} ({one.offer})
                    </span>
                  )}
                  {one.readyFor !== null && one.readyFor > UNCOLLECTED_AFTER_DAYS && (
                    <span className="d-block small fw-semibold">
                      {say({ code: 'work.notFetched', numbers: { days: one.readyFor } })}
                    </span>
                  )}
                </td>
                <td>
                  {one.promiseOn && day(one.promiseOn)}
                  {one.late > 0 && (
                    <span className="d-block small">
                      <VerdictMark state="outside" word={say({ code: 'work.late', numbers: { days: one.late } })} />
                    </span>
                  )}
                </td>
                <td className="quiet small text-end">
                  {say({ code: 'work.here' })} {day(one.receivedOn)}
                  <span className="d-block">{say({ code: 'work.days', numbers: { days: one.daysHere } })}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </SoftLinks>
    </>
  );
}
