import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import type { listProcedures } from './server/list-procedures';
import '@/core/words/en/procedures';

/** Procedures by family. */
export function ProcedureTable({ procedures }: { procedures: Awaited<ReturnType<typeof listProcedures>> }) {
  return (
    <div className="sheet">
      <table className="table mb-0">
        <thead>
          <tr>
            <th>{say({ code: 'procedures.name' })}</th>
            <th />
            <th className="text-end">{say({ code: 'procedures.version' })}</th>
            <th className="text-end">{say({ code: 'procedures.models' })}</th>
          </tr>
        </thead>
        <tbody>
          {procedures.map((one) => (
            <tr key={one.id}>
              <td>
                <Link className="row-link" href={`/procedures/${one.id}`}>
                  {one.title}
                </Link>
                {(one.own || one.draft) && (
                  <span className="quiet small ms-2">
                    {[one.own && say({ code: 'procedures.own' }), one.draft && say({ code: 'procedures.draft' })]
                      .filter(Boolean)
                      .join(', ')}
                  </span>
                )}
                {one.ended !== null && (
                  <span className="quiet small ms-2">{say({ code: 'procedures.ended', numbers: { why: one.ended } })}</span>
                )}
              </td>
              <td className="quiet">{say({ code: 'procedures.scope', numbers: { scope: one.scope } })}</td>
              <td className="text-end mono">{one.version}</td>
              <td className="text-end mono">{one.models}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
