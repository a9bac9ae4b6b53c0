import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import type { OwnDocument } from './server/own-things';
import '@/core/words/en/window';

/** Documents with their files; of one instrument without saying of which. */
export function DocumentsView({ documents, ofOne = false }: { documents: readonly OwnDocument[]; ofOne?: boolean }) {
  if (documents.length === 0) return <p className="quiet mb-0">{say({ code: 'window.noDocuments' })}</p>;
  return (
    <div className="list-wide">
      <table className="table mb-0" data-testid="own-documents">
        <tbody>
          {documents.map((one) => (
            <tr key={one.id} className="own-document">
              <td className="mono text-nowrap">
                {one.number}
                {one.revision > 0 && `-${one.revision}`}
              </td>
              <td className="text-nowrap">{day(one.issuedOn)}</td>
              {!ofOne && (
                <td>
                  {one.item} <span className="mono">{one.serial}</span>
                </td>
              )}
              <td>
                {one.withdrawn && <strong>{say({ code: 'window.withdrawn' })}</strong>}
                {one.replaced && <span className="quiet">{say({ code: 'window.replaced' })}</span>}
              </td>
              <td className="text-nowrap text-end">
                <a href={`/window/documents/${one.id}/pdf`}>{say({ code: 'window.pdf' })}</a> ·{' '}
                <a href={`/window/documents/${one.id}/json`}>{say({ code: 'window.data' })}</a>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
