'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { addStep, changeList, leaveStepOut, moveStep, stepAt, type StepPath } from '@/core/procedure/edit-steps';
import { newStep, STEP_KINDS, type StepKind } from '@/core/procedure/new-step';
import type { Procedure, Step } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import type { Choice } from './choice';
import '@/core/words/en/procedures';

interface Props {
  procedure: Procedure;
  path: StepPath;
  choose: (choice: Choice) => void;
  change: (procedure: Procedure) => void;
}

/** A step moved by keys, left out, or followed by another. */
export function StepTools({ procedure, path, choose, change }: Props) {
  const [kind, setKind] = useState<StepKind>('check');
  const parent = stepAt(procedure.steps, path.slice(0, -1));
  const list: readonly Step[] = path.length === 1 ? procedure.steps : parent?.kind === 'group' ? parent.steps : [];
  const at = list.findIndex((one) => one.id === path.at(-1));
  const steps = (next: Step[]) => change({ ...procedure, steps: next });
  const add = () => {
    const made = newStep(kind, procedure, say({ code: `stepKind.${kind}` }));
    const step = stepAt(procedure.steps, path);
    // Into an empty group, else after the step.
    if (step?.kind === 'group' && step.steps.length === 0) {
      steps(changeList(procedure.steps, path, () => [made]));
      return choose({ kind: 'step', path: [...path, made.id] });
    }
    const added = addStep(procedure.steps, path, made);
    steps(added.steps);
    choose({ kind: 'step', path: added.path });
  };
  return (
    <div className="d-flex flex-wrap gap-2 align-items-center mt-3">
      <Button variant="plain" disabled={at <= 0} onClick={() => steps(moveStep(procedure.steps, path, list[at - 1]!.id))}>
        {say({ code: 'edit.up' })}
      </Button>
      <Button
        variant="plain"
        disabled={at < 0 || at === list.length - 1}
        onClick={() => steps(moveStep(procedure.steps, path, list[at + 2]?.id ?? null))}
      >
        {say({ code: 'edit.down' })}
      </Button>
      <Button
        variant="outline-danger"
        onClick={() => {
          steps(leaveStepOut(procedure.steps, path));
          choose({ kind: 'head' });
        }}
      >
        {say({ code: 'edit.leaveOut' })}
      </Button>
      <span className="ms-auto d-flex gap-2">
        <FormSelect
          aria-label={say({ code: 'edit.kind' })}
          value={kind}
          onChange={(event) => setKind(event.target.value as StepKind)}
        >
          {STEP_KINDS.map((one) => (
            <option key={one} value={one}>
              {say({ code: `stepKind.${one}` })}
            </option>
          ))}
        </FormSelect>
        <Button variant="plain" className="text-nowrap" onClick={add}>
          {say({ code: 'edit.addStep' })}
        </Button>
      </span>
    </div>
  );
}
