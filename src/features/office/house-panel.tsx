import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import type { houseFindings } from './server/changes';
import '@/core/words/en/house';

/** What the house found of itself, the newest of each kind; what is wrong by name. */
export function HousePanel({ findings, zone }: { findings: Awaited<ReturnType<typeof houseFindings>>; zone: string }) {
  return (
    <div className="sheet mt-3" data-testid="house">
      <h2>{say({ code: 'house.title' })}</h2>
      {findings.length === 0 ? (
        <p className="quiet mb-0">{say({ code: 'house.none' })}</p>
      ) : (
        <table className="table mb-0">
          <tbody>
            {findings.map((row) => (
              <tr key={row.id}>
                <td>{say({ code: `house.${row.kind}` })}</td>
                <td className="text-nowrap">{dayTime(row.at, zone)}</td>
                <td>
                  <VerdictMark state={row.ok ? 'within' : 'outside'} word={wordOf(row)} />
                  {faultsOf(row.detail).map((fault) => (
                    <div key={fault} className="small text-break">
                      {fault}
                    </div>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

type Row = Awaited<ReturnType<typeof houseFindings>>[number];
function wordOf({ kind, ok, detail }: Row): string {
  if (kind === 'disk') return String(detail.said ?? '');
  if (kind !== 'verify') return say({ code: ok ? 'house.done' : 'house.failed' });
  return ok ? say({ code: 'house.holds' }) : say({ code: 'house.faults', numbers: { count: String(detail.found ?? 0) } });
}

/** The first few by name; the log has them all. */
function faultsOf(detail: Record<string, unknown>): string[] {
  const faults = Array.isArray(detail.faults) ? (detail.faults as { record?: string; what?: string }[]) : [];
  const missed = Array.isArray(detail.missed) ? (detail.missed as string[]) : [];
  return [...faults.slice(0, 5).map(({ record, what }) => `${record}: ${what}`), ...missed];
}
