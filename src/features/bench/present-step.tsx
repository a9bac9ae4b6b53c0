'use client';
import Button from 'react-bootstrap/Button';
import type { PlannedStep } from '@/core/run/plan';
import { AdjustStep } from './adjust-step';
import { CheckStep, ConditionStep } from './check-step';
import { EndOfRun } from './end-of-run';
import { ReferenceStep } from './reference-step';
import { SaveStep } from './save-step';
import { SkipStep } from './skip-step';
import { WaitStep } from './wait-step';
import type { RunView } from './server/run-view';
import type { LiveRun } from './use-run';

const SAYS_IT_BESIDE_THE_FIELD: PlannedStep['step']['kind'][] = ['condition', 'check', 'reference', 'read', 'wait'];

interface Props {
  run: LiveRun;
  view: RunView;
  present: PlannedStep | undefined;
  gasOpen: boolean;
}

/** What to do now, large, with its reason, its caution and its clock. */
export function PresentStep({ run, view, present, gasOpen }: Props) {
  if (!present) return <EndOfRun run={run} view={view} gasOpen={gasOpen} />;
  const { step } = present;
  const channel = present.channel ? run.state.channels.find((one) => one.id === present.channel) : undefined;
  return (
    <section className="present-step" aria-label="Present step">
      <h2>
        {step.title}
        {channel && `: ${channel.label}`}
        {present.iteration > 1 && <span className="quiet"> (try {present.iteration})</span>}
      </h2>
      {step.reason && <p className="why">{step.reason}</p>}
      {step.caution && <p className="caution">{step.caution}</p>}
      <div className="mt-3">
        <StepBody run={run} view={view} present={present} />
      </div>
      {run.refusal && !(run.refusal.field && SAYS_IT_BESIDE_THE_FIELD.includes(step.kind)) && (
        <p className="notice bad mt-2 mb-0" role="alert">
          {run.refusal.sentence}
        </p>
      )}
      <SkipStep run={run} present={present} />
    </section>
  );
}

function StepBody({ run, view, present }: { run: LiveRun; view: RunView; present: PlannedStep }) {
  const { step, key } = present;
  switch (step.kind) {
    case 'wait':
      return <WaitStep run={run} present={present} />;
    case 'check':
      return <CheckStep run={run} present={present} items={step.items} />;
    case 'condition':
      return <ConditionStep run={run} present={present} quantities={step.quantities} />;
    case 'reference':
      return <ReferenceStep run={run} view={view} slots={step.slots} />;
    case 'stimulus':
      return (
        <Button
          data-main-action
          size="lg"
          disabled={run.busy}
          onClick={() => run.send({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on })}
        >
          {step.on ? 'Gas is on' : 'Gas is off'} <kbd>N</kbd>
        </Button>
      );
    case 'read':
      return (
        <p className="mb-0">
          Type below what the display shows, channel by channel. <kbd>Enter</kbd> takes each.
        </p>
      );
    case 'adjust':
      return <AdjustStep run={run} view={view} present={present} />;
    case 'save':
      return <SaveStep run={run} present={present} />;
    case 'decide':
      return (
        <div className="d-flex flex-wrap gap-2">
          {step.options.map((option) => (
            <Button
              key={option.id}
              variant="plain"
              size="lg"
              disabled={run.busy}
              onClick={() => run.send({ type: 'decide', step: key, option: option.id })}
            >
              {option.label}
            </Button>
          ))}
        </div>
      );
    case 'bump':
      return (
        <Button
          data-main-action
          disabled={run.busy}
          onClick={() =>
            run.send({
              type: 'bump',
              step: key,
              channels: Object.fromEntries(
                run.state.channels
                  .filter((one) => one.status === 'fitted')
                  .map((one) => [one.id, { moved: true, rightWay: true }]),
              ),
              outputs: Object.fromEntries(step.outputs.map((output) => [output, true])),
            })
          }
        >
          All channels moved, {step.outputs.join(', ')} witnessed
        </Button>
      );
    case 'care':
      return (
        <Button data-main-action disabled={run.busy} onClick={() => run.send({ type: 'care', step: key })}>
          Done
        </Button>
      );
  }
}
