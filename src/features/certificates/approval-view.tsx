'use client';
import { describeProbes } from '@/core/certificate/describe-probes';
import { statedPoints } from '@/core/certificate/stated-points';
import Link from 'next/link';
import type { RunView } from '@/features/bench/server';
import { standingReading, type RecordedReading } from '@/core/run/state';
import { summarise } from '@/core/run/summary';
import { roundUncertainty } from '@/core/quantity/round-uncertainty';
import { day, dayTime, signed } from '@/ui/format';
import { ToleranceRuler } from '@/ui/tolerance-ruler';
import { VerdictMark } from '@/ui/verdict-mark';
import { ApprovalDecision } from './approval-decision';
import { ProbeLines } from './probe-lines';
import { tryWord } from '@/core/run/try-word';

/** What the signatory decides by: as found and as left side by side with references and deviations. */
export function ApprovalView({
  view,
  zone,
  mayApprove,
  sameHand,
  notice,
}: {
  view: RunView;
  zone: string;
  mayApprove: boolean;
  sameHand: boolean;
  notice: React.ComponentProps<typeof ApprovalDecision>['notice'];
}) {
  const { state, procedure } = view;
  const summary = summarise(procedure, state);
  const lines = statedPoints(procedure, state).flatMap((point) =>
    state.channels
      .filter((channel) => point.channels.includes(channel.role))
      .map((channel) => ({
        point,
        channel,
        found: standingReading(state, { point: point.id, channel: channel.id, phase: 'asFound' }),
        left: standingReading(state, { point: point.id, channel: channel.id, phase: 'asLeft' }),
      })),
  );
  return (
    <>
      <div className="page-head">
        <h1>
          {view.asset.maker} {view.asset.model}
        </h1>
        <span className="mono">{view.asset.serial}</span>
        <span className="quiet">{view.customer}</span>
        <span className="end gap-4">
          <span>
            As found <VerdictMark state={summary.asFound} />
          </span>
          <span>
            As left <VerdictMark state={summary.asLeft} />
          </span>
        </span>
      </div>
      <div className="sheet">
        <table className="table mb-0 approval-table">
          <thead>
            <tr>
              <th>Channel and point</th>
              <th>Reference</th>
              <th>As found</th>
              <th>As left</th>
              <th style={{ width: '30%' }}>Error on the tolerance</th>
              <th>U (k)</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ point, channel, found, left }) => {
              const shown = left ?? found;
              return (
                <tr key={`${point.id}/${channel.id}`}>
                  <td>
                    <strong>{channel.label}</strong>{' '}
                    <span className="quiet">
                      {point.label.toLowerCase()}, {channel.unit}
                    </span>
                  </td>
                  <td className="mono" title={shown?.target?.sentence}>
                    {shown?.target?.value ?? '—'}
                  </td>
                  <td>
                    <ReadingCell reading={found} />
                  </td>
                  <td>
                    {left ? (
                      <ReadingCell reading={left} />
                    ) : state.retired[channel.id] ? (
                      <VerdictMark
                        state="outside"
                        word={state.retired[channel.id]!.consequence === 'service' ? 'to service' : 'out of service'}
                      />
                    ) : (
                      <span className="quiet">
                        {channel.status === 'fitted' ? (summary.adjusted ? 'not measured' : 'as found') : 'not fitted'}
                      </span>
                    )}
                  </td>
                  <td>
                    {shown?.judgement.upper && Number(shown.judgement.upper) > 0 && (
                      <ToleranceRuler
                        name={`${channel.label} ${point.label}`}
                        unit={channel.unit}
                        tolerance={Number(shown.judgement.upper)}
                        expanded={shown.judgement.expanded ? Number(shown.judgement.expanded) : null}
                        guarded={state.started?.rule === 'guarded'}
                        marks={[
                          found?.counts && found.judgement.error !== null
                            ? [
                                {
                                  error: Number(found.judgement.error),
                                  state: found.judgement.state,
                                  hollow: true,
                                  label: 'as found',
                                },
                              ]
                            : [],
                          left?.judgement.error
                            ? [
                                {
                                  error: Number(left.judgement.error),
                                  state: left.judgement.state,
                                  hollow: false,
                                  label: 'as left',
                                },
                              ]
                            : [],
                        ].flat()}
                      />
                    )}
                  </td>
                  <td className="mono">
                    {shown?.judgement.expanded
                      ? `${roundUncertainty({ expanded: Number(shown.judgement.expanded) }).text} (${shown.judgement.k})`
                      : '—'}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <div className="row mt-3 g-3">
        <div className="col-lg-6">
          <div className="sheet h-100">
            <h2>References</h2>
            {state.bindings.map((binding) => (
              <p key={binding.seq} className={`mb-2${binding.struck ? ' struck' : ''}`}>
                <strong>{binding.reference.name}</strong> <span className="mono">{binding.reference.lot}</span>
                {binding.reference.expires && <span className="quiet"> until {day(binding.reference.expires)}</span>}
                <br />
                <span className="small">
                  {binding.reference.components
                    .map((component) => `${component.substance} ${component.value} ± ${component.expanded} ${component.unit}`)
                    .join(' · ')}
                </span>
              </p>
            ))}
            <ProbeLines probes={describeProbes(procedure, state)} />
            <h3>Adjustments</h3>
            {state.adjustments.filter((one) => !one.struck).length === 0 ? (
              <p>Nothing was adjusted.</p>
            ) : (
              <ul className="mb-0 ps-3">
                {state.adjustments
                  .filter((one) => !one.struck)
                  .map((one) => (
                    <li key={one.seq}>
                      {one.action}{' '}
                      {one.channels.map((id) => state.channels.find((channel) => channel.id === id)?.label).join(', ')}:{' '}
                      {one.outcome}
                      {one.iteration > 1 && `, ${tryWord(one.iteration)}`}
                    </li>
                  ))}
              </ul>
            )}
          </div>
        </div>
        <div className="col-lg-6">
          <div className="sheet h-100">
            <h2>Deviations and remarks</h2>
            {state.deviations.length === 0 ? (
              <p>No deviation from the method.</p>
            ) : (
              <ul className="ps-3">
                {state.deviations.map((one) => (
                  <li key={one.seq}>
                    {one.what}. <span className="quiet">{one.reason}</span>
                  </li>
                ))}
              </ul>
            )}
            {state.readings
              .filter((one) => one.flags.length > 0)
              .map((one) => (
                <p key={one.seq} className="mb-1">
                  <span className="struck">
                    {one.reading.text} {one.reading.unit}
                  </span>{' '}
                  {one.flags[0]!.code === 'struck' ? 'struck out' : 'reference struck out'}: {one.flags[0]!.reason}
                </p>
              ))}
            <p className="mb-0">
              Worked by <strong>{state.technician?.name}</strong>, finished {state.finishedAt && dayTime(state.finishedAt, zone)}.{' '}
              {procedure.title}, version {procedure.version}.{' '}
              {state.started?.rule === 'guarded' ? 'Guard band w = U.' : 'Simple acceptance.'}{' '}
              {view.ticket && (
                <Link className="mono" href={`/tickets/${view.ticket.id}`}>
                  {view.ticket.code}
                </Link>
              )}
            </p>
          </div>
        </div>
      </div>
      {mayApprove && state.status === 'finished' && <ApprovalDecision runId={state.run} sameHand={sameHand} notice={notice} />}
    </>
  );
}

function ReadingCell({ reading }: { reading: RecordedReading | null }) {
  if (!reading) return <span className="quiet">not measured</span>;
  return (
    <span className="d-inline-flex flex-wrap gap-2 align-items-baseline">
      <span className="reading-fixed">{reading.reading.text}</span>
      {reading.counts ? (
        <VerdictMark state={reading.judgement.state} word={signed(reading.judgement.error)} />
      ) : (
        <span className="quiet small">{reading.remark}</span>
      )}
    </span>
  );
}
