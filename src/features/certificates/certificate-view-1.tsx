import { inSentence } from '@/core/words/in-sentence';
import { Link } from '@/ui/link';
import type { CertificateReading, CertificateVersion1 } from '@/core/certificate/version-1';
import { say } from '@/core/words/say';
import { day, signed } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { DocumentHead } from './document-head';
import { ProbeLines } from './probe-lines';
import '@/core/words/en/certificate';

interface Props {
  content: CertificateVersion1;
  hash: string;
}

/** A document of the first form on the screen: what the PDF says, and the way to it. */
export function CertificateView1({ content, hash }: Props) {
  return (
    <>
      <DocumentHead
        customer={content.customer}
        item={content.item}
        calibrated={day(content.dates.calibrated)}
        issued={content.dates.issued}
        due={content.due}
      />
      <div className="sheet">
        <div className="d-flex gap-4 mb-2 flex-wrap">
          <span>
            As found{' '}
            <VerdictMark state={content.conformity.asFound} word={say({ code: `overall.${content.conformity.asFound}` })} />
          </span>
          <span>
            As left <VerdictMark state={content.conformity.asLeft} word={say({ code: `overall.${content.conformity.asLeft}` })} />
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
                    {inSentence(line.point)}, {line.unit}
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
