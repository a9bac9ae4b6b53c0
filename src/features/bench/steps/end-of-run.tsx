'use client';
import { Link } from '@/ui/link';
import Button from 'react-bootstrap/Button';
import { STATUS_AFTER } from '@/core/results/instrument-status';
import { outcomeOf } from '@/core/results/outcome';
import { reasonOf } from '@/core/results/reason';
import { summarise } from '@/core/results/summary';
import { say } from '@/core/words/say';
import { VerdictMark } from '@/ui/verdict-mark';
import type { RunView } from '../server/run-view';
import type { LiveRun } from '../use-run';
import '@/core/words/en/correct';
import '@/core/words/en/paper';
import '@/core/words/en/practice-end';

/** All steps are done: the verdict, and off to the signatory. */
export function EndOfRun({ run, view, gasOpen }: { run: LiveRun; view: RunView; gasOpen: boolean }) {
  const { state } = run;
  const summary = summarise(view.procedure, state);
  const outcome = outcomeOf(view.procedure, state, summary);
  const reason = reasonOf(view.procedure, state);
  const reopened = state.reopened.at(-1);
  return (
    <section className="present-step" aria-label="Present step">
      <h2>
        {state.status === 'open'
          ? 'All steps done'
          : state.status === 'finished'
            ? view.practice
              ? say({ code: 'practice.over' })
              : 'Finished: waits for approval'
            : state.status === 'approved'
              ? 'Approved'
              : 'Given up'}
      </h2>
      {state.sentBack.length > 0 && state.status === 'open' && (
        <p className="notice mt-2">
          Sent back by {state.sentBack.at(-1)!.by}: {state.sentBack.at(-1)!.note}
        </p>
      )}
      {reopened && state.status === 'open' && (
        <div className="notice mt-2">
          <strong>{say({ code: 'bench.reopened', numbers: { by: reopened.by, reason: reopened.reason } })}</strong>
          <p className="mb-0">{say({ code: 'bench.reopenedHow' })}</p>
        </div>
      )}
      <div className="d-flex flex-wrap gap-4 my-3 fs-5">
        <span>
          As found <VerdictMark state={summary.asFound} />
        </span>
        <span>
          As left <VerdictMark state={summary.asLeft} />
        </span>
        <span className="quiet">{summary.adjusted ? 'adjusted' : 'nothing adjusted: as left is as found'}</span>
      </div>
      <p className={outcome === 'passed' || outcome === 'bumped' ? 'mb-2' : 'caution'} data-testid="outcome">
        <strong>{say({ code: `outcome.run.${outcome}` })}</strong>
        {reason && <> {reason}.</>}
      </p>
      {STATUS_AFTER[outcome] && state.status !== 'open' && !view.practice && (
        <Link className="btn btn-plain me-2" href={`/assets/${view.asset.id}/tag`}>
          {say({ code: 'label.toTag' })}
        </Link>
      )}
      {state.status === 'open' && (
        <Button data-main-action size="lg" disabled={run.busy || gasOpen} onClick={() => run.send({ type: 'finish' })}>
          {view.practice ? say({ code: 'practice.finish' }) : 'Finish and hand to the signatory'} <kbd>N</kbd>
        </Button>
      )}
      {state.status === 'finished' && view.practice === 'try' && (
        <Link className="btn btn-plain" href={`/models/${view.asset.modelId}`}>
          {say({ code: 'practice.back' })}
        </Link>
      )}
      {state.status === 'finished' && !view.practice && (
        <Link className="btn btn-plain" href={`/approve/${state.run}`}>
          Look at it side by side
        </Link>
      )}
      {run.refusal && (
        <p className="notice bad mt-2 mb-0" role="alert">
          {run.refusal.sentence}
        </p>
      )}
    </section>
  );
}
