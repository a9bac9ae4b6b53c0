import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import type { listImports } from './server/list-imports';
import '@/core/words/en/imports';

/** Tables that were read, and what became of them. */
export function ImportsTable({ batches, zone }: { batches: Awaited<ReturnType<typeof listImports>>; zone: string }) {
  return (
    <div className="sheet">
      <h2>{say({ code: 'import.batches' })}</h2>
      {batches.length === 0 && <p className="quiet mb-0">{say({ code: 'import.none' })}</p>}
      <table className="table mb-0">
        <tbody>
          {batches.map((batch) => (
            <tr key={batch.id}>
              <td>
                <Link href={`/imports/${batch.id}`}>{batch.fileName}</Link>
              </td>
              <td>{say({ code: `import.${batch.kind}` })}</td>
              <td>{batch.rows}</td>
              <td>{say({ code: 'import.state', numbers: { state: batch.state } })}</td>
              <td className="quiet">{say({ code: 'import.by', numbers: { by: batch.by, at: dayTime(batch.at, zone) } })}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
