import { Link } from '@/ui/link';
import type { CertificateVersion2, MeasuredText } from '@/core/certificate';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { DocumentHead } from './document-head';
import { ProbeLines } from './probe-lines';
import { ResultsTable } from './results-table';
import '@/core/words/en/certificate';
import '@/core/words/en/recall';

/** The document's data on the screen, in the order of the paper. */
export function CertificateView2({ content, hash }: { content: CertificateVersion2; hash: string }) {
  const { dates, conformity, environment, references } = content;
  const calibrated =
    dates.calibrated.from === dates.calibrated.to
      ? day(dates.calibrated.to)
      : `${day(dates.calibrated.from)} to ${day(dates.calibrated.to)}`;
  const measured = (one: MeasuredText | null, unit: string) => {
    const by = references.find((reference) => reference.id === one?.equipment);
    return one ? `${one.value}${one.expanded ? ` ± ${one.expanded}` : ''} ${unit}${by ? ` (${by.name} ${by.lot})` : ''}` : '';
  };
  const room = [
    measured(environment.temperatureC, '°C'),
    measured(environment.pressureHPa, 'hPa'),
    measured(environment.humidityPercent, '% RH'),
  ].filter(Boolean);
  return (
    <>
      <DocumentHead
        customer={content.customer}
        item={content.item}
        calibrated={calibrated}
        issued={dates.issued}
        due={content.due}
      />
      {content.withdraws ? (
        <div className="sheet">
          <p className="fs-5 mb-1">
            Withdraws <span className="mono">{content.withdraws.number}</span>
            {content.withdraws.revision > 0 && ` revision ${content.withdraws.revision}`}: {content.withdraws.reason}
          </p>
          <p className="mono small quiet mb-0 text-break">SHA-256 of the withdrawn document {content.withdraws.hash}</p>
        </div>
      ) : (
        <div className="sheet">
          <div className="d-flex gap-4 mb-2 flex-wrap">
            <span>
              As found <VerdictMark state={conformity.asFound} word={say({ code: `overall.${conformity.asFound}` })} />
            </span>
            <span>
              As left <VerdictMark state={conformity.asLeft} word={say({ code: `overall.${conformity.asLeft}` })} />
            </span>
            <span className="quiet small align-self-center">Press a U to open its budget.</span>
          </div>
          <ResultsTable results={content.results} guarded={conformity.rule === 'guarded'} />
          <p className="small quiet mb-0 mt-2">
            {conformity.specification.name}. {conformity.ruleText}
          </p>
          {conformity.notJudged.length > 0 && (
            <p className="small mb-0">Not covered by the statement: {conformity.notJudged.join('; ')}</p>
          )}
        </div>
      )}
      <div className="row mt-0 g-3">
        <div className="col-lg-6">
          <div className="sheet h-100">
            <h2>References</h2>
            {room.length > 0 && <p className="mb-2">{room.join(', ')}</p>}
            {references.map((one) => (
              <p key={one.id} className="mb-1">
                <strong>{one.name}</strong> <span className="mono">{one.lot}</span>
                {one.certificate && <span className="quiet small"> {one.certificate}</span>}
                <br />
                <span className="small">
                  {one.values
                    .map((value) =>
                      value.value
                        ? `${value.quantity} ${value.value} ± ${value.expanded} ${value.unit}`
                        : value.expanded
                          ? `${value.quantity}: U = ${value.expanded} ${value.unit}`
                          : value.quantity,
                    )
                    .join(' · ')}
                </span>
                <span className="small quiet d-block">{one.traceability}</span>
              </p>
            ))}
          </div>
        </div>
        <div className="col-lg-6">
          <div className="sheet h-100">
            <ProbeLines probes={content.probes} />
            <h2>Authorised</h2>
            <p className="mb-1">
              Calibrated by {content.technician}, authorised by <strong>{content.authorisation.name}</strong>,{' '}
              {content.authorisation.function}, who {content.authorisation.meaning}.
            </p>
            <p className="mb-1">{content.method.text}</p>
            <p className="mb-1">{content.deviations.length ? content.deviations.join(' ') : 'No deviation from the method.'}</p>
            {content.bumps.map((bump, index) => (
              <p key={index} className="mb-1">
                <VerdictMark state={bump.verdict === 'passed' ? 'within' : 'outside'} word={`Bump ${bump.verdict}`} />{' '}
                <span className="small">{[bump.kind, ...bump.channels, ...bump.outputs].join('; ')}</span>
              </p>
            ))}
            {content.remarks.map((remark, index) => (
              <p key={index} className="mb-1">
                {remark}
              </p>
            ))}
            <p className="mb-1">
              <Link href={`/runs/${content.run.id}`}>The run it rests on</Link> ·{' '}
              <Link href={`/runs/${content.run.id}/trace`}>{say({ code: 'trace.back' })}</Link>
            </p>
            <p className="mono small quiet mb-0 text-break">SHA-256 {hash}</p>
            {content.previous && (
              <p className="mono small quiet mb-0 text-break">
                after {content.previous.number}, {content.previous.hash}
              </p>
            )}
          </div>
        </div>
      </div>
    </>
  );
}
