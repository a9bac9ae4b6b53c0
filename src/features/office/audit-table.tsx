import { dayTime } from '@/ui/format';
import { Pager } from '@/ui/pager';
import type { listAudit } from './server/people';

interface Props {
  list: Awaited<ReturnType<typeof listAudit>>;
  before: string | undefined;
  zone: string;
}

/** Who did what, newest first. The bench’s own record is the events of each run. */
export function AuditTable({ list, before, zone }: Props) {
  return (
    <div className="sheet mt-3">
      <h2>Audit</h2>
      <table className="table mb-0">
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>What</th>
            <th>About</th>
          </tr>
        </thead>
        <tbody>
          {list.rows.map((row) => (
            <tr key={row.id}>
              <td className="text-nowrap">{dayTime(row.at, zone)}</td>
              <td>{row.actor.name}</td>
              <td>{row.action}</td>
              <td className="text-break">{row.subject}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Pager base="/office" query={{ before }} next={list.next} param="before" />
    </div>
  );
}
