'use client';
import { describeProbes } from '@/core/certificate/describe-probes';
import { documentKind, resultText } from '@/core/certificate/content';
import { describeBumps } from '@/core/certificate/describe';
import { notPlain } from '@/core/results/not-plain';
import { outcomeOf } from '@/core/results/outcome';
import { componentText } from '@/ui/component-text';
import { Link } from '@/ui/link';
import type { RunView } from '@/features/bench/server';
import { summarise } from '@/core/results/summary';
import { PhotoStrip } from '@/features/paper';
import { say } from '@/core/words/say';
import { WatchBar } from '@/features/competence';
import { day, dayTime } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { ApprovalDecision } from './approval-decision';
import { ProbeLines } from './probe-lines';
import { ResultsTable } from './results-table';
import { tryWord } from '@/core/run/try-word';
import '@/core/words/en/budget';
import '@/core/words/en/certificate';
import '@/core/words/en/paper';
import '@/core/words/en/not-plain';
import '@/core/words/en/refusals-acts';

/** What the signatory decides by: as found and as left side by side with references and deviations. */
export function ApprovalView({
  view,
  zone,
  mayApprove,
  sameHand,
  notice,
  annexes,
  unconfirmed,
}: {
  view: RunView;
  zone: string;
  mayApprove: boolean;
  sameHand: boolean;
  notice: React.ComponentProps<typeof ApprovalDecision>['notice'];
  annexes: { budgets: boolean; traces: boolean };
  /** Standing values without a source: they keep the document back. */
  unconfirmed: string[];
}) {
  const { state, procedure } = view;
  const summary = summarise(procedure, state);
  const results = summary.lines.map((line) => resultText(line, state, 'en'));
  const expected = documentKind(procedure, state, summary);
  const outcome = outcomeOf(procedure, state, summary);
  const look = notPlain(procedure, state);
  const bad = look.some((one) => one.weight === 'bad');
  const bumps = describeBumps(state, 'en');
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
      <section
        className={`sheet mb-3${bad ? ' look-first' : ''}`}
        aria-label={say({ code: 'notPlain.title' })}
        data-testid="not-plain"
      >
        <h2>{say({ code: 'notPlain.title' })}</h2>
        {state.paper && (
          <div className="float-end ms-3">
            <PhotoStrip run={state.run} photos={state.paper.photos} />
          </div>
        )}
        {look.length === 0 ? (
          <p className="mb-0">{say({ code: 'notPlain.none' })}</p>
        ) : (
          <ul className="list-unstyled mb-2">
            {look.map((one, index) => (
              <li key={index} className="mb-1">
                {one.weight === 'bad' ? <VerdictMark state="outside" word={one.text} /> : one.text}
              </li>
            ))}
          </ul>
        )}
        {bumps.map((bump, index) => (
          <p key={index} className="mb-1">
            <VerdictMark
              state={bump.verdict === 'passed' ? 'within' : 'outside'}
              word={say({ code: `bump.verdict.${bump.verdict}`, numbers: { kind: bump.kind } })}
            />{' '}
            <span className="quiet">{[...bump.channels, ...bump.outputs].join('; ')}</span>
          </p>
        ))}
        <p className="mb-0 mt-2">
          <strong>{say({ code: `outcome.run.${outcome}` })}</strong>
        </p>
      </section>
      <div className="sheet">
        <ResultsTable results={results} guarded={state.started?.rule === 'guarded'} />
        <p className="small quiet mb-0 mt-2">
          This becomes: <strong>{say({ code: `title.${expected}` })}</strong>. Press a U to open its budget.
        </p>
      </div>
      <div className="row mt-3 g-3">
        <div className="col-lg-6">
          <div className="sheet h-100">
            <h2>References</h2>
            {shownBindings(state.bindings).map((binding) => (
              <p key={binding.seq} className={`mb-2${binding.struck ? ' struck' : ''}`}>
                <strong>{binding.reference.name}</strong> <span className="mono">{binding.reference.lot}</span>
                {binding.reference.expires && <span className="quiet"> until {day(binding.reference.expires)}</span>}
                <br />
                <span className="small">
                  {binding.reference.components.map((component) => componentText(binding.reference.kind, component)).join(' · ')}
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
            <h2>Worked by</h2>
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
      {mayApprove && state.status === 'finished' && (
        <>
          {unconfirmed.length > 0 && (
            <p className="notice bad mt-3 mb-0">
              {say({ code: 'refused.unconfirmed', numbers: { values: unconfirmed.join('; ') } })}{' '}
              <Link href="/office/budgets">Budgets</Link>
            </p>
          )}
          {view.watch && <WatchBar watch={view.watch} run={state.run} me={view.me.id} zone={zone} />}
          <ApprovalDecision runId={state.run} sameHand={sameHand} notice={notice} annexes={annexes} />
        </>
      )}
    </>
  );
}

/** Each reference once, however often it was bound; one that was struck out stands beside the one that took its place. */
const shownBindings = (bindings: RunView['state']['bindings']) => [
  ...new Map(bindings.map((one) => [`${one.reference.id} ${String(one.struck ?? false)}`, one])).values(),
];
