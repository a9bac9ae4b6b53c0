'use client';
import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Button from 'react-bootstrap/Button';
import type { Procedure, Step } from '@/core/procedure/procedure';
import { addPiece, type Piece } from '@/core/procedure/edit-pieces';
import { moveStep, type StepPath } from '@/core/procedure/edit-steps';
import { say } from '@/core/words/say';
import { sameChoice, type Choice } from './choice';
import { OutlineStep } from './outline-step';
import '@/core/words/en/editor';
import '@/core/words/en/procedures';

interface Props {
  procedure: Procedure;
  chosen: Choice;
  choose: (choice: Choice) => void;
  change: (procedure: Procedure) => void;
}

/** Everything that a procedure has, in the order in which a sheet is worked. */
export function Outline({ procedure, chosen, choose, change }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return;
    const [from, to] = [String(active.id).split('/'), String(over.id).split('/')];
    // A step moves among its neighbours: into another group it would mean something else.
    if (from.slice(0, -1).join('/') !== to.slice(0, -1).join('/')) return;
    change({ ...procedure, steps: moveStep(procedure.steps, from, to.at(-1)!) });
  };
  const piece = (choice: Choice, text: string) => (
    <Button
      key={JSON.stringify(choice)}
      variant="plain"
      className={`outline-piece${sameChoice(choice, chosen) ? ' chosen' : ''}`}
      aria-pressed={sameChoice(choice, chosen)}
      onClick={() => choose(choice)}
    >
      {text}
    </Button>
  );
  const head = (kind: Piece, text: string) => (
    <div className="d-flex align-items-baseline justify-content-between">
      <h3>{text}</h3>
      <Button
        variant="plain"
        size="sm"
        aria-label={say({ code: `edit.add.${kind}` })}
        onClick={() => {
          const added = addPiece(procedure, kind, say({ code: `edit.new.${kind}` }));
          change(added.procedure);
          choose({ kind, id: added.id });
        }}
      >
        +
      </Button>
    </div>
  );
  return (
    <DndContext sensors={sensors} onDragEnd={dropped} id="outline">
      <div className="outline" data-testid="outline">
        {piece({ kind: 'head' }, say({ code: 'edit.head' }))}
        {head('channel', say({ code: 'procedures.channels' }))}
        {procedure.channels.map((one) => piece({ kind: 'channel', id: one.role }, one.label))}
        {head('slot', say({ code: 'procedures.slots' }))}
        {procedure.slots.map((one) => piece({ kind: 'slot', id: one.id }, one.label))}
        {head('point', say({ code: 'procedures.points' }))}
        {procedure.points.map((one) => piece({ kind: 'point', id: one.id }, one.label))}
        {procedure.schools && <h3>{say({ code: 'procedures.schools' })}</h3>}
        {procedure.schools?.map((one) => piece({ kind: 'school', id: one.id }, one.label))}
        <h3>{say({ code: 'procedures.steps' })}</h3>
        <Steps steps={procedure.steps} path={[]} chosen={chosen} choose={choose} />
      </div>
    </DndContext>
  );
}

function Steps({
  steps,
  path,
  chosen,
  choose,
}: {
  steps: readonly Step[];
  path: StepPath;
  chosen: Choice;
  choose: (choice: Choice) => void;
}) {
  return (
    <>
      {steps.map((step) => {
        const at = [...path, step.id];
        const choice: Choice = { kind: 'step', path: at };
        return (
          <div key={step.id}>
            <OutlineStep step={step} path={at} chosen={sameChoice(choice, chosen)} choose={() => choose(choice)} />
            {step.kind === 'group' && <Steps steps={step.steps} path={at} chosen={chosen} choose={choose} />}
          </div>
        );
      })}
    </>
  );
}
