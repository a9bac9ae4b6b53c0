'use client';
import Button from 'react-bootstrap/Button';
import type { PlannedStep } from '@/core/run/plan-node';
import {
  AdjustStep,
  BumpStep,
  CareStep,
  CheckStep,
  ConditionStep,
  DecideStep,
  EndOfRun,
  ReferenceStep,
  SaveStep,
  WaitStep,
} from './lazy';
import { SkipStep } from './skip-step';
import { SampleCount } from './sample-count';
import { HowLine } from './how-line';
import { neighbourGas } from './neighbour-gas';
import { openStimulus } from '@/core/record/state';
import type { Sheet } from '../sheet';

const SAYS_IT_BESIDE_THE_FIELD: PlannedStep['step']['kind'][] = ['condition', 'check', 'reference', 'read', 'wait'];

interface Props {
  sheet: Sheet;
  gasOpen: boolean;
  said: string;
  ready: number;
  asked: number;
}

/** What to do now, large, with its reason, its caution and its clock. */
export function PresentStep({ sheet, gasOpen, said, ready, asked }: Props) {
  const { run, view, present } = sheet;
  if (!present) return <EndOfRun run={run} view={view} gasOpen={gasOpen} />;
  const { step } = present;
  const channel = present.channel ? run.state.channels.find((one) => one.id === present.channel) : undefined;
  const nearby = neighbourGas(sheet, present);
  const open = openStimulus(run.state);
  const chosen = run.state.started?.schools ?? {};
  const ownWords = (step.says ?? []).filter((one) => chosen[one.school] === one.option).map((one) => one.text);
  const why = [step.reason, ...ownWords].filter(Boolean).join(' ');
  const { refusal } = run;
  const refused = refusal && !(refusal.field && SAYS_IT_BESIDE_THE_FIELD.includes(step.kind)) ? refusal.sentence : null;
  return (
    <section className="present-step" aria-label="Present step" data-step={present.key} data-kind={step.kind}>
      <h2>
        {step.title}
        {channel && `: ${channel.label}`}
        {present.iteration > 1 && <span className="quiet"> (try {present.iteration})</span>}
      </h2>
      {why && <p className="why">{why}</p>}
      <HowLine view={view} present={present} />
      {step.caution && <p className="caution">{step.caution}</p>}
      {nearby && <p className="caution">{nearby}</p>}
      {step.kind === 'read' && step.sample && open && <SampleCount since={open.onAt} {...step.sample} />}
      <div className="mt-3">
        <StepBody sheet={sheet} present={present} ready={ready} asked={asked} />
      </div>
      {said && said !== refused && (
        <p className="notice mt-2 mb-0" role="status">
          {said}
        </p>
      )}
      {refused && (
        <p className="notice bad mt-2 mb-0" role="alert">
          {refused}
        </p>
      )}
      {!(step.kind === 'decide' && step.options.some((one) => one.consequence)) && <SkipStep run={run} present={present} />}
    </section>
  );
}

function StepBody({ sheet, present, ready, asked }: { sheet: Sheet; present: PlannedStep; ready: number; asked: number }) {
  const { run, view } = sheet;
  const { step, key } = present;
  switch (step.kind) {
    case 'wait':
      return <WaitStep sheet={sheet} present={present} />;
    case 'check':
      return <CheckStep sheet={sheet} present={present} items={step.items} />;
    case 'condition':
      return <ConditionStep sheet={sheet} present={present} quantities={step.quantities} />;
    case 'reference':
      return <ReferenceStep run={run} view={view} slots={step.slots} />;
    case 'stimulus': {
      const slot = view.procedure.slots.find((one) => one.id === step.slot);
      return (
        <Button
          data-main-action
          size="lg"
          disabled={run.busy}
          onClick={() => run.send({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on })}
        >
          {doneWord(slot?.kind, step.on)} <kbd>N</kbd>
        </Button>
      );
    }
    case 'read':
      return sheet.onLine ? (
        <div className="d-flex flex-wrap gap-3 align-items-center">
          <Button data-main-action size="lg" disabled={run.busy || !sheet.hand.mine} onClick={sheet.capture}>
            Capture what has settled <kbd>C</kbd>
          </Button>
          <span className="quiet">
            {ready} of {asked} settled. Or type below what the display shows; <kbd>Enter</kbd> takes it.
          </span>
        </div>
      ) : (
        <p className="mb-0">
          Type below what the display shows, channel by channel. <kbd>Enter</kbd> takes each.
        </p>
      );
    case 'adjust':
      return <AdjustStep sheet={sheet} present={present} />;
    case 'save':
      return <SaveStep sheet={sheet} present={present} />;
    case 'decide':
      return <DecideStep run={run} present={present} options={step.options} />;
    case 'bump':
      return <BumpStep sheet={sheet} present={present} />;
    case 'care':
      return <CareStep key={key} run={run} view={view} step={key} uses={step.uses ?? []} />;
  }
}

function doneWord(kind: string | undefined, on: boolean): string {
  if (kind === 'gas') return on ? 'Gas is on' : 'Gas is off';
  if (kind === 'buffer' || kind === 'standard') return on ? 'It is in' : 'It is out, rinsed';
  return on ? 'It is on' : 'It is off';
}
