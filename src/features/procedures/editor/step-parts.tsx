'use client';
import { OUTPUTS } from '@/core/instrument/output';
import { FOLLOWS } from '@/core/procedure/follow';
import { PHASES } from '@/core/procedure/phase';
import { ADJUST_ACTIONS, type Procedure, type Step } from '@/core/procedure/procedure';
import { ROOM_QUANTITIES } from '@/core/procedure/room-quantity';
import { say } from '@/core/words/say';
import { ChoiceIn, ManyIn, NumberIn, TextIn, YesIn } from './inputs';
import { ItemRows } from './item-rows';
import { changed } from './without';
import '@/core/words/en/editor';
import '@/core/words/en/certificate';
import '@/core/words/en/procedures';
import '@/core/words/en/refusals-acts';

interface Props {
  procedure: Procedure;
  step: Step;
  change: (step: Step) => void;
}
const EVIDENCES = ['confirm', 'automatic', 'readBackDate', 'readBackValue'] as const;
const METHODS = ['timed', 'watched', 'station'] as const;
const ORDERS = ['fixed', 'any'] as const;

/** What a step of one kind has besides what every step has. */
export function StepParts({ procedure, step, change }: Props) {
  const points = procedure.points.map((one) => [one.id, one.label] as const);
  const slots = procedure.slots.map((one) => [one.id, one.label] as const);
  switch (step.kind) {
    case 'check':
      return <ItemRows items={step.items} change={(items) => change({ ...step, items })} />;
    case 'condition':
      return (
        <ManyIn
          label={say({ code: 'edit.slots' })}
          values={step.quantities}
          choices={ROOM_QUANTITIES.map((one) => [one, say({ code: `room.${one}` })])}
          change={(quantities) => change({ ...step, quantities })}
        />
      );
    case 'reference':
      return (
        <ManyIn
          label={say({ code: 'edit.slots' })}
          values={step.slots}
          choices={slots}
          change={(list) => change({ ...step, slots: list })}
        />
      );
    case 'wait':
      return (
        <div className="d-flex gap-3">
          <NumberIn
            label={say({ code: 'edit.minutes' })}
            value={step.minSeconds}
            change={(minSeconds) => change({ ...step, minSeconds: minSeconds ?? 0 })}
          />
          <NumberIn
            label={say({ code: 'edit.most' })}
            value={step.maxSeconds}
            change={(maxSeconds) => change(changed(step, { maxSeconds }))}
          />
        </div>
      );
    case 'stimulus':
      return (
        <>
          <ChoiceIn
            label={say({ code: 'edit.slot' })}
            value={step.slot}
            choices={slots}
            change={(slot) => change({ ...step, slot })}
          />
          <TextIn
            label={say({ code: 'edit.means' })}
            value={step.means}
            change={(means) => change({ ...step, means: means ?? '' })}
          />
          <YesIn label={say({ code: 'edit.on' })} value={step.on} change={(on) => change({ ...step, on })} />
        </>
      );
    case 'read':
      return (
        <>
          <ManyIn
            label={say({ code: 'edit.points' })}
            values={step.points}
            choices={points}
            change={(list) => change({ ...step, points: list })}
          />
          <ChoiceIn
            label={say({ code: 'edit.phase' })}
            value={step.phase}
            choices={PHASES.map((one) => [one, say({ code: `phaseWord.${one}` })])}
            change={(phase) => change({ ...step, phase })}
          />
          <NumberIn
            label={say({ code: 'edit.exposure' })}
            value={step.exposureSeconds}
            change={(exposureSeconds) => change(changed(step, { exposureSeconds }))}
          />
        </>
      );
    case 'adjust':
      return (
        <>
          <ManyIn
            label={say({ code: 'edit.points' })}
            values={step.points}
            choices={points}
            change={(list) => change({ ...step, points: list })}
          />
          <ChoiceIn
            label={say({ code: 'edit.action' })}
            value={step.action}
            choices={ADJUST_ACTIONS.map((one) => [one, say({ code: `action.${one}` })])}
            change={(action) => change({ ...step, action })}
          />
          <YesIn
            label={say({ code: 'edit.together' })}
            value={step.together}
            change={(together) => change({ ...step, together })}
          />
        </>
      );
    case 'save':
      return (
        <ChoiceIn
          label={say({ code: 'edit.evidence' })}
          value={step.evidence}
          choices={EVIDENCES.map((one) => [one, say({ code: `evidence.${one}` })])}
          change={(evidence) => change({ ...step, evidence })}
        />
      );
    case 'bump':
      return (
        <>
          <ChoiceIn
            label={say({ code: 'edit.method' })}
            value={step.method}
            choices={METHODS.map((one) => [one, say({ code: `bumpMethod.${one}` })])}
            change={(method) => change({ ...step, method })}
          />
          <ManyIn
            label={say({ code: 'edit.outputs' })}
            values={step.outputs}
            choices={OUTPUTS.map((one) => [one, say({ code: `output.${one}` })])}
            change={(outputs) => change({ ...step, outputs })}
          />
          <ManyIn
            label={say({ code: 'edit.follows' })}
            values={step.follows ?? []}
            choices={FOLLOWS.map((one) => [one, say({ code: `follow.${one}` })])}
            change={(follows) => change({ ...step, follows })}
          />
        </>
      );
    case 'care':
      return (
        <TextIn
          label={say({ code: 'edit.action' })}
          value={step.action}
          change={(action) => change({ ...step, action: action ?? '' })}
        />
      );
    case 'decide':
      return (
        <>
          {step.options.map((option, index) => (
            <TextIn
              key={option.id}
              label={`${say({ code: 'edit.answer' })} ${index + 1}`}
              value={option.label}
              change={(label) =>
                change({
                  ...step,
                  options: step.options.map((one) => (one.id === option.id ? { ...one, label: label ?? '' } : one)),
                })
              }
            />
          ))}
        </>
      );
    case 'group':
      return (
        <div className="d-flex gap-3">
          <ChoiceIn
            label={say({ code: 'edit.order' })}
            value={step.order}
            choices={ORDERS.map((one) => [one, say({ code: `orderWord.${one}` })])}
            change={(order) => change({ ...step, order })}
          />
          <NumberIn
            label={say({ code: 'edit.repeat' })}
            value={step.repeat?.atMost}
            change={(atMost) => change(changed(step, { repeat: atMost ? { ...step.repeat, atMost } : undefined }))}
          />
        </div>
      );
  }
}
