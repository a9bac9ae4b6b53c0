'use client';
import { useState } from 'react';
import { openStimulus } from '@/core/record/state';
import { ReferenceStep } from './lazy';
import type { Sheet } from '../sheet';

/** Another bottle in the middle of a run: the one before stays on record with what was read from it. */
export function ChangeBottle({ sheet, slot }: { sheet: Sheet; slot: string }) {
  const [open, setOpen] = useState(false);
  const { run, view, present } = sheet;
  const choosing = present?.step.kind === 'reference' && present.step.slots.includes(slot);
  if (choosing) return null;
  const gas = openStimulus(run.state, slot);
  const last = run.state.stimuli.filter((one) => one.slot === slot).at(-1);
  const again = last?.closedEarly === true && present?.step.kind !== 'stimulus';
  return (
    <div className="mt-1">
      <button type="button" className="btn btn-link btn-sm p-0" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Keep this one' : 'Change it'}
      </button>
      {again && present && (
        <button
          type="button"
          className="btn btn-plain btn-sm ms-2"
          disabled={run.busy}
          onClick={() => run.send({ type: 'changeStimulus', step: present.key, slot, on: true })}
        >
          Gas on again
        </button>
      )}
      {open &&
        (gas ? (
          <p className="field-problem mb-0">Close the gas first.</p>
        ) : (
          <ReferenceStep run={run} view={view} slots={[slot]} onDone={() => setOpen(false)} />
        ))}
    </div>
  );
}
