import { Link } from '@/ui/link';
import { dayTime } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import type { waitingForApproval } from './server/find';

/** Finished runs that wait for the signatory, oldest first. */
export function WaitingTable({ rows, zone }: { rows: Awaited<ReturnType<typeof waitingForApproval>>; zone: string }) {
  return (
    <div className="sheet">
      {rows.length === 0 ? (
        <div className="empty">Nothing waits. A run that a technician finishes lies here until it is approved or sent back.</div>
      ) : (
        <table className="table mb-0">
          <thead>
            <tr>
              <th>Finished</th>
              <th>Instrument</th>
              <th>Serial</th>
              <th>Customer</th>
              <th>As found</th>
              <th>As left</th>
              <th>Technician</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.runId}>
                <td>{row.finishedAt && dayTime(row.finishedAt, zone)}</td>
                <td>
                  {row.maker} {row.model}
                </td>
                <td className="mono">{row.serial}</td>
                <td>{row.customer}</td>
                <td>
                  <VerdictMark state={row.asFound} />
                </td>
                <td>
                  <VerdictMark state={row.asLeft} />
                </td>
                <td>{row.technician}</td>
                <td className="text-end">
                  <Link className="btn btn-primary btn-sm" href={`/approve/${row.runId}`}>
                    Look
                  </Link>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
