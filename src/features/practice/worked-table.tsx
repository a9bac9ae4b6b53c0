import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import type { AttemptLine } from './server/list-practice';
import '@/core/words/en/practice-exercise';

/** Exercises that were worked, newest first. */
export function WorkedTable({ rows, zone }: { rows: AttemptLine[]; zone: string }) {
  if (rows.length === 0) return <p className="quiet">{say({ code: 'practice.noneWorked' })}</p>;
  return (
    <div className="sheet">
      <table className="table mb-0" data-testid="worked">
        <thead>
          <tr>
            {(['when', 'person', 'exercise', 'on'] as const).map((name) => (
              <th key={name}>{say({ code: `practice.col.${name}` })}</th>
            ))}
            <th className="text-end">{say({ code: 'practice.col.points' })}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((one) => (
            <tr key={one.id}>
              <td>
                <Link href={`/practice/${one.id}`}>{dayTime(one.endedAt.toISOString(), zone)}</Link>
              </td>
              <td>{one.person}</td>
              <td>{say({ code: `practice.kind.${one.kind}` })}</td>
              <td>{one.title}</td>
              <td className="text-end mono">{one.points ?? <span className="quiet">{say({ code: 'practice.left' })}</span>}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
