import { say } from '@/core/words/say';
import type { SheetModel } from './server';
import '@/core/words/en/blank-sheet';

/** What can be printed before a day without the house. */
export function PaperList({ models }: { models: SheetModel[] }) {
  return (
    <>
      <div className="page-head">
        <h1>{say({ code: 'blank.list' })}</h1>
      </div>
      <div className="sheet">
        <p className="quiet">{say({ code: 'blank.listNote' })}</p>
        <table className="table mb-0">
          <tbody>
            {models.map(({ id, name, procedure }) => (
              <tr key={id}>
                <th scope="row" className="fw-normal">
                  {name}
                </th>
                <td className="quiet">{procedure ?? say({ code: 'blank.noProcedure' })}</td>
                <td className="text-end">
                  {procedure && (
                    <a href={`/paper/${id}`} target="_blank">
                      {say({ code: 'blank.print' })}
                    </a>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
