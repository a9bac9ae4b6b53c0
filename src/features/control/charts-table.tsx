import { BASELINE } from '@/core/control/judge-chart';
import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import type { ChartLine } from './server/read-charts';
import '@/core/words/en/control';

/** Charts with what each says now. */
export function ChartsTable({ charts, zone }: { charts: readonly ChartLine[]; zone: string }) {
  if (charts.length === 0) return <p className="quiet">{say({ code: 'control.none' })}</p>;
  return (
    <table className="table mb-0" data-testid="charts">
      <tbody>
        {charts.map((one) => (
          <tr key={one.id}>
            <td>
              <Link className="row-link" href={`/shelf/control/${one.id}`}>
                {one.name}
              </Link>
            </td>
            <td className="quiet">{say({ code: `control.kind.${one.kind}` })}</td>
            <td>{one.referenceId && <Link href={`/shelf/${one.referenceId}`}>{one.reference}</Link>}</td>
            <td>
              {say({ code: 'control.values', numbers: { count: one.points } })}
              {one.lastAt && (
                <span className="quiet">, {say({ code: 'control.last', numbers: { at: dayTime(one.lastAt, zone) } })}</span>
              )}
            </td>
            <td className="text-nowrap">
              <Standing {...one} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Standing({ endedAt, open, points }: Pick<ChartLine, 'endedAt' | 'open' | 'points'>) {
  if (endedAt) return <span className="quiet">{say({ code: 'control.state.ended' })}</span>;
  if (open > 0) return <VerdictMark state="outside" word={say({ code: 'control.state.out' })} />;
  return points < BASELINE ? (
    <span className="quiet">{say({ code: 'control.state.few' })}</span>
  ) : (
    <VerdictMark state="within" word={say({ code: 'control.state.in' })} />
  );
}
