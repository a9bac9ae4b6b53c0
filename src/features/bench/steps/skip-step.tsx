'use client';
import { useState } from 'react';
import type { PlannedStep } from '@/core/run/plan-node';
import { say } from '@/core/words/say';
import { ReasonForm } from '@/ui/reason-form';
import type { LiveRun } from '../use-run';
import { reasonsFor } from './reasons';
import '@/core/words/en/why';

/** Leaving a step out: possible, with a reason that stands on the certificate. */
export function SkipStep({ run, present }: { run: LiveRun; present: PlannedStep }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <button type="button" className="btn btn-link btn-sm p-0 leave-out" onClick={() => setOpen(true)}>
        Leave this step out
      </button>
    );
  return (
    <ReasonForm
      label={say({ code: 'why.leftOut' })}
      reasons={reasonsFor('leftOut')}
      act="Leave out"
      danger
      busy={run.busy}
      onSend={(reason) => void run.send({ type: 'skipStep', step: present.key, reason })}
      onStay={() => setOpen(false)}
    />
  );
}
