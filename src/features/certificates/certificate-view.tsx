import Link from 'next/link';
import type { CertificateContent, CertificateReading } from '@/core/certificate/content';
import { VERDICT_TEXT } from '@/core/certificate/content';
import { day, signed } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { ReviseForm } from './revise-form';
import { ProbeLines } from './probe-lines';

interface Props {
  id: string;
  content: CertificateContent;
  hash: string;
  replacedBy: { id: string; revision: number } | null;
  mayRevise: boolean;
}

/** A certificate on the screen: what the PDF says, and the way to it. */
export function CertificateView({ id, content, hash, replacedBy, mayRevise }: Props) {
  const { item } = content;
  return (
    <>
      <div className="page-head">
        <h1>{content.title}</h1>
        <span className="mono fs-4">
          {content.number}
          {content.revision > 0 && ` rev ${content.revision}`}
        </span>
        <span className="end">
          <Link className="btn btn-plain" href={`/certificates/${id}/label`}>
            Label
          </Link>
          <a className="btn btn-primary" href={`/certificates/${id}/pdf`} target="_blank">
            Open the PDF
          </a>
        </span>
      </div>
      {replacedBy && (
        <p className="notice bad">
          Replaced by <Link href={`/certificates/${replacedBy.id}`}>revision {replacedBy.revision}</Link>. This one stays on
          record as it was.
        </p>
      )}
      {content.replaces && (
        <p className="notice">
          Replaces {content.replaces.number}
          {content.replaces.revision > 0 && ` revision ${content.replaces.revision}`}: {content.replaces.reason}
        </p>
      )}
      <div className="sheet">
        <div className="row">
          <div className="col-md-4">
            <div className="quiet small">Customer</div>
            <strong>{content.customer.name}</strong>
            <br />
            {content.customer.address}
          </div>
          <div className="col-md-4">
            <div className="quiet small">Item</div>
            <strong>
              {item.maker} {item.model}
            </strong>
            <br />
            <span className="mono">
              {item.serial}
              {item.tag && ` · ${item.tag}`}
            </span>
          </div>
          <div className="col-md-4">
            <div className="quiet small">Calibrated, issued</div>
            <strong>{day(content.dates.calibrated)}</strong>, {day(content.dates.issued)}
            <br />
            {content.due ? `due ${day(content.due.date)}` : 'no due date agreed'}
          </div>
        </div>
      </div>
      <div className="sheet">
        <div className="d-flex gap-4 mb-2 flex-wrap">
          <span>
            As found <VerdictMark state={content.conformity.asFound} word={VERDICT_TEXT[content.conformity.asFound]} />
          </span>
          <span>
            As left <VerdictMark state={content.conformity.asLeft} word={VERDICT_TEXT[content.conformity.asLeft]} />
          </span>
        </div>
        <table className="table mb-0">
          <thead>
            <tr>
              <th>Channel</th>
              <th>Reference</th>
              <th>As found</th>
              <th>As left</th>
              <th>Tolerance ±</th>
              <th>U (k)</th>
            </tr>
          </thead>
          <tbody>
            {content.results.map((line) => (
              <tr key={`${line.channel}/${line.point}`}>
                <td>
                  <strong>{line.label}</strong>{' '}
                  <span className="quiet">
                    {line.point.toLowerCase()}, {line.unit}
                  </span>
                  {line.note && line.note !== `As found: ${line.asFound?.remark}.` && (
                    <div className="small quiet">{line.note}</div>
                  )}
                </td>
                <td className="mono" title={line.basis}>
                  {line.target ?? '—'}
                </td>
                <td>
                  <Cell reading={line.asFound} />
                </td>
                <td>
                  <Cell reading={line.asLeft} />
                </td>
                <td className="mono">{line.tolerance ?? '—'}</td>
                <td className="mono">{line.expanded ? `${line.expanded} (${line.k})` : '—'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="row mt-0 g-3">
        <div className="col-lg-6">
          <div className="sheet h-100">
            <h2>References</h2>
            {content.references.map((reference) => (
              <p key={reference.lot} className="mb-1">
                <strong>{reference.name}</strong> <span className="mono">{reference.lot}</span>
                <br />
                <span className="small">{reference.components.join(' · ')}</span>
              </p>
            ))}
          </div>
        </div>
        <div className="col-lg-6">
          <div className="sheet h-100">
            <ProbeLines probes={content.probes} />
            <h2>Authorised</h2>
            <p className="mb-1">
              Calibrated by {content.technician}, authorised by <strong>{content.authorisation.name}</strong>.
            </p>
            <p className="mb-1">{content.deviations.length ? content.deviations.join(' ') : 'No deviation from the method.'}</p>
            <p className="mb-1">
              <Link href={`/runs/${content.run.id}`}>The run it rests on</Link>
            </p>
            <p className="mono small quiet mb-0 text-break">SHA-256 {hash}</p>
          </div>
        </div>
      </div>
      {mayRevise && !replacedBy && <ReviseForm certificateId={id} />}
    </>
  );
}

function Cell({ reading }: { reading: CertificateReading | null }) {
  if (!reading) return <span className="quiet">not measured</span>;
  return (
    <span className="d-inline-flex flex-wrap gap-2 align-items-baseline">
      <span className="reading-fixed">{reading.text}</span>
      {reading.remark ? (
        <span className="quiet small">{reading.remark}</span>
      ) : (
        <VerdictMark state={reading.state} word={signed(reading.error)} />
      )}
    </span>
  );
}
