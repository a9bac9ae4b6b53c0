'use client';
import type { Procedure, Step } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { TextIn } from './inputs';
import { StepParts } from './step-parts';
import { WhenForm } from './when-form';
import { changed } from './without';
import '@/core/words/en/procedures';

/** One step: what every step has, and what its kind has besides. */
export function StepForm({ procedure, step, change }: { procedure: Procedure; step: Step; change: (step: Step) => void }) {
  return (
    <>
      <p className="quiet small mb-2">
        {say({ code: `stepKind.${step.kind}` })} <span className="mono">{step.id}</span>
      </p>
      <TextIn
        label={say({ code: 'edit.title' })}
        value={step.title}
        change={(title) => change(changed(step, { title: title ?? '' }))}
      />
      <StepParts procedure={procedure} step={step} change={change} />
      <TextIn
        label={say({ code: 'edit.reason' })}
        value={step.reason}
        rows={2}
        change={(reason) => change(changed(step, { reason }))}
      />
      <TextIn
        label={say({ code: 'edit.caution' })}
        value={step.caution}
        rows={2}
        change={(caution) => change(changed(step, { caution }))}
      />
      <WhenForm procedure={procedure} when={step.when} change={(when) => change(changed(step, { when }))} />
    </>
  );
}
