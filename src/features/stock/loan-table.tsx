import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import type { LoanLine } from './server/loans';
import '@/core/words/en/stock';

/** Instruments that are lent: where each is, and whether its calibration holds. */
export function LoanTable({ loans, today }: { loans: readonly LoanLine[]; today: string }) {
  if (loans.length === 0) return <p className="quiet">{say({ code: 'loan.none' })}</p>;
  return (
    <table className="table">
      <thead>
        <tr>
          <th>{say({ code: 'loan.instrument' })}</th>
          <th>{say({ code: 'loan.where' })}</th>
          <th>{say({ code: 'loan.calibrated' })}</th>
        </tr>
      </thead>
      <tbody>
        {loans.map(({ assetId, serial, tag, maker, model, nextDue, fault, out, customer }) => (
          <tr key={assetId} data-testid="loan-line">
            <td>
              <Link href={`/assets/${assetId}`}>
                {maker} {model}
              </Link>{' '}
              <span className="mono text-nowrap">{serial}</span> <span className="mono small">{tag}</span>
            </td>
            <td>
              {out ? (
                <>
                  <Link href={`/stock/loans/${out.id}`}>
                    {say({ code: 'loan.out', numbers: { customer: customer ?? '', until: day(out.dueBack) } })}
                  </Link>
                  {out.dueBack < today && (
                    <span className="d-block small">
                      <VerdictMark state="outside" word={say({ code: 'loan.late', numbers: { until: day(out.dueBack) } })} />
                    </span>
                  )}
                </>
              ) : (
                say({ code: 'loan.here' })
              )}
              {fault && <span className="d-block small fw-semibold">{say({ code: 'loan.hadFault', numbers: { fault } })}</span>}
            </td>
            <td>
              {nextDue === null ? (
                <VerdictMark state="cannotTell" word={say({ code: 'loan.never' })} />
              ) : nextDue < today ? (
                <VerdictMark state="outside" word={say({ code: 'loan.dueOn', numbers: { on: day(nextDue) } })} />
              ) : (
                say({ code: 'loan.dueOn', numbers: { on: day(nextDue) } })
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
