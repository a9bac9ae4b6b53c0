import { Link } from '@/ui/link';
import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { SearchField } from '@/ui/search-field';
import { Pager } from '@/ui/pager';
import { VerdictMark } from '@/ui/verdict-mark';
import type { listCertificates } from './server/find';
import '@/core/words/en/certificates-room';
import '@/core/words/en/document-kinds';

interface Props {
  list: Awaited<ReturnType<typeof listCertificates>>;
  before: string | undefined;
  q: string | undefined;
  zone: string;
}

/** Issued certificates, newest first; the page stands in the address. */
export function CertificateTable({ list, before, q, zone }: Props) {
  return (
    <div className="sheet">
      <SearchField
        base="/certificates"
        initial={q ?? ''}
        label={say({ code: 'certificates.search' })}
        placeholder={say({ code: 'certificates.search' })}
      />
      {/* A plain form: what is chosen goes into the address of the file, without any script. */}
      <form action="/certificates/zip">
        <table className="table mb-0">
          <thead>
            <tr>
              <th aria-hidden />
              <th>Number</th>
              <th>Issued</th>
              <th>Instrument</th>
              <th>Serial</th>
              <th>Customer</th>
              <th>As found</th>
              <th>As left</th>
            </tr>
          </thead>
          <tbody>
            {list.rows.map((row) => (
              <tr key={row.id}>
                <td>
                  <input
                    type="checkbox"
                    name="id"
                    value={row.id}
                    aria-label={say({ code: 'certificates.choose', numbers: { number: row.number } })}
                    className="form-check-input"
                  />
                </td>
                <td>
                  <Link className="row-link mono" href={`/certificates/${row.id}`}>
                    {row.number}
                    {row.revision > 0 && ` r${row.revision}`}
                  </Link>
                  {row.replacedBy && <span className="quiet small"> replaced</span>}
                  {row.kind !== 'calibration' && row.kind !== 'certificate' && (
                    <div className="quiet small">{say({ code: row.kind === 'record' ? 'kind.record' : `kind.${row.kind}` })}</div>
                  )}
                </td>
                <td className="text-nowrap">{dayTime(row.issuedAt, zone)}</td>
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
              </tr>
            ))}
          </tbody>
        </table>
        {list.rows.length > 0 && (
          <button type="submit" className="btn btn-plain mt-2">
            {say({ code: 'certificates.zip' })}
          </button>
        )}
      </form>
      {list.rows.length === 0 && <div className="empty">None yet. Approving a finished run issues the first.</div>}
      <Pager base="/certificates" query={{ q, before }} next={list.next} param="before" />
    </div>
  );
}
