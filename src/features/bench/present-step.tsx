'use client';
import { useState } from 'react';
import Link from 'next/link';
import Button from 'react-bootstrap/Button';
import { waitBegan } from '@/core/run/handle-step';
import type { PlannedStep } from '@/core/run/plan';
import { summarise } from '@/core/run/summary';
import { Countdown } from '@/ui/running-clock';
import { VerdictMark } from '@/ui/verdict-mark';
import { AdjustStep } from './adjust-step';
import { CheckStep, ConditionStep } from './check-step';
import { ReferenceStep } from './reference-step';
import type { RunView } from './server/run-view';
import type { LiveRun } from './use-run';

const SAYS_IT_BESIDE_THE_FIELD: PlannedStep['step']['kind'][] = ['condition', 'check', 'reference', 'read', 'wait'];

interface Props { run: LiveRun; view: RunView; present: PlannedStep | undefined; gasOpen: boolean }

/** What to do now, large, with its reason, its caution and its clock. */
export function PresentStep({ run, view, present, gasOpen }: Props) {
  if (!present) return <EndOfRun run={run} view={view} gasOpen={gasOpen} />;
  const { step } = present;
  const channel = present.channel ? run.state.channels.find((one) => one.id === present.channel) : undefined;
  return (
    <section className="present-step" aria-label="Present step">
      <h2>{step.title}{channel && `: ${channel.label}`}{present.iteration > 1 && <span className="quiet"> (try {present.iteration})</span>}</h2>
      {step.reason && <p className="why">{step.reason}</p>}
      {step.caution && <p className="caution">{step.caution}</p>}
      <div className="mt-3"><StepBody run={run} view={view} present={present} /></div>
      {run.refusal && !(run.refusal.field && SAYS_IT_BESIDE_THE_FIELD.includes(step.kind)) && <p className="notice bad mt-2 mb-0" role="alert">{run.refusal.sentence}</p>}
      <SkipStep run={run} present={present} />
    </section>
  );
}

function StepBody({ run, view, present }: { run: LiveRun; view: RunView; present: PlannedStep }) {
  const { step, key } = present;
  switch (step.kind) {
    case 'wait': return <WaitStep run={run} present={present} />;
    case 'check': return <CheckStep run={run} present={present} items={step.items} />;
    case 'condition': return <ConditionStep run={run} present={present} quantities={step.quantities} />;
    case 'reference': return <ReferenceStep run={run} view={view} slots={step.slots} />;
    case 'stimulus': return <Button data-main-action size="lg" disabled={run.busy} onClick={() => run.send({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on })}>{step.on ? 'Gas is on' : 'Gas is off'} <kbd>N</kbd></Button>;
    case 'read': return <p className="mb-0">Type below what the display shows, channel by channel. <kbd>Enter</kbd> takes each.</p>;
    case 'adjust': return <AdjustStep run={run} view={view} present={present} />;
    case 'save': return <SaveStep run={run} present={present} />;
    case 'decide': return <div className="d-flex flex-wrap gap-2">{step.options.map((option) => <Button key={option.id} variant="plain" size="lg" disabled={run.busy} onClick={() => run.send({ type: 'decide', step: key, option: option.id })}>{option.label}</Button>)}</div>;
    case 'bump': return <Button data-main-action disabled={run.busy} onClick={() => run.send({ type: 'bump', step: key, channels: Object.fromEntries(run.state.channels.filter((one) => one.status === 'fitted').map((one) => [one.id, { moved: true, rightWay: true }])), outputs: Object.fromEntries(step.outputs.map((output) => [output, true])) })}>All channels moved, {step.outputs.join(', ')} witnessed</Button>;
    case 'care': return <Button data-main-action disabled={run.busy} onClick={() => run.send({ type: 'care', step: key })}>Done</Button>;
  }
}

function WaitStep({ run, present }: { run: LiveRun; present: PlannedStep }) {
  const [reason, setReason] = useState('');
  const early = run.refusal?.code === 'tooEarly';
  const began = waitBegan(present, run.state);
  const seconds = present.step.kind === 'wait' ? present.step.minSeconds : 0;
  const until = began ? new Date(Date.parse(began) + seconds * 1000).toISOString() : null;
  const go = (deviation?: string) => run.send({ type: 'completeStep', step: present.key, ...(deviation ? { deviation } : {}) });
  return (
    <div>
      {until && <Countdown until={until} className="big-clock clock" />}
      <div className="mt-3"><Button data-main-action size="lg" disabled={run.busy} onClick={() => go()}>Go on <kbd>N</kbd></Button></div>
      {early && (
        <form className="mt-2" onSubmit={(event) => { event.preventDefault(); void go(reason); }}>
          <label className="field-problem" htmlFor="deviation">{run.refusal!.sentence}</label>
          <div className="d-flex gap-2" style={{ maxWidth: '34rem' }}><input id="deviation" className="form-control" autoFocus value={reason} onChange={(event) => setReason(event.target.value)} placeholder="Reason" /><Button type="submit" variant="outline-danger" disabled={reason.trim().length < 3}>Go on all the same</Button></div>
        </form>
      )}
    </div>
  );
}

function SaveStep({ run, present }: { run: LiveRun; present: PlannedStep }) {
  const [readBack, setReadBack] = useState('');
  const needs = present.step.kind === 'save' && present.step.evidence === 'readBackDate';
  return (
    <form className="d-flex gap-2 align-items-center" onSubmit={(event) => { event.preventDefault(); void run.send({ type: 'save', step: present.key, ...(readBack ? { readBack } : {}) }); }}>
      {needs && <input className="form-control" style={{ width: '14rem' }} aria-label="Last-calibration date read back" placeholder="date read back" value={readBack} onChange={(event) => setReadBack(event.target.value)} />}
      <Button data-main-action type="submit" size="lg" disabled={run.busy}>The instrument has saved <kbd>N</kbd></Button>
    </form>
  );
}

function SkipStep({ run, present }: { run: LiveRun; present: PlannedStep }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  if (!open) return <button type="button" className="btn btn-link btn-sm p-0 leave-out" onClick={() => setOpen(true)}>Leave this step out</button>;
  return (
    <form className="d-flex gap-2 mt-3" style={{ maxWidth: '38rem' }} onSubmit={(event) => { event.preventDefault(); void run.send({ type: 'skipStep', step: present.key, reason }); }}>
      <input className="form-control form-control-sm" autoFocus aria-label="Reason for leaving it out" placeholder="Why? It stands on the certificate as a deviation." value={reason} onChange={(event) => setReason(event.target.value)} />
      <Button type="submit" size="sm" variant="outline-danger" disabled={reason.trim().length < 3}>Leave out</Button><Button size="sm" variant="plain" onClick={() => setOpen(false)}>Stay</Button>
    </form>
  );
}

/** All steps are done: the verdict, and off to the signatory. */
function EndOfRun({ run, view, gasOpen }: Omit<Props, 'present'>) {
  const { state } = run;
  const summary = summarise(view.procedure, state);
  return (
    <section className="present-step" aria-label="Present step">
      <h2>{state.status === 'open' ? 'All steps done' : state.status === 'finished' ? 'Finished: waits for approval' : state.status === 'approved' ? 'Approved' : 'Given up'}</h2>
      {state.sentBack.length > 0 && state.status === 'open' && <p className="notice mt-2">Sent back by {state.sentBack.at(-1)!.by}: {state.sentBack.at(-1)!.note}</p>}
      <div className="d-flex flex-wrap gap-4 my-3 fs-5"><span>As found <VerdictMark state={summary.asFound} /></span><span>As left <VerdictMark state={summary.asLeft} /></span><span className="quiet">{summary.adjusted ? 'adjusted' : 'nothing adjusted: as left is as found'}</span></div>
      {Object.values(state.retired).length > 0 && <p className="caution">Tag it out of service or hand it to service: an instrument that failed is never relied on.</p>}
      {state.status === 'open' && <Button data-main-action size="lg" disabled={run.busy || gasOpen} onClick={() => run.send({ type: 'finish' })}>Finish and hand to the signatory <kbd>N</kbd></Button>}
      {state.status === 'finished' && <Link className="btn btn-plain" href={`/approve/${state.run}`}>Look at it side by side</Link>}
      {run.refusal && <p className="notice bad mt-2 mb-0" role="alert">{run.refusal.sentence}</p>}
    </section>
  );
}
