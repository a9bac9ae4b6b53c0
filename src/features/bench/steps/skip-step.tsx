'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { PlannedStep } from '@/core/run/plan';
import type { LiveRun } from '../use-run';

/** Leaving a step out: possible, with a reason that stands on the certificate. */
export function SkipStep({ run, present }: { run: LiveRun; present: PlannedStep }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  if (!open)
    return (
      <button type="button" className="btn btn-link btn-sm p-0 leave-out" onClick={() => setOpen(true)}>
        Leave this step out
      </button>
    );
  return (
    <form
      className="d-flex gap-2 mt-3"
      style={{ maxWidth: '38rem' }}
      onSubmit={(event) => {
        event.preventDefault();
        void run.send({ type: 'skipStep', step: present.key, reason });
      }}
    >
      <input
        className="form-control form-control-sm"
        autoFocus
        aria-label="Reason for leaving it out"
        placeholder="Why? It stands on the certificate as a deviation."
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
      <Button type="submit" size="sm" variant="outline-danger" disabled={reason.trim().length < 3}>
        Leave out
      </Button>
      <Button size="sm" variant="plain" onClick={() => setOpen(false)}>
        Stay
      </Button>
    </form>
  );
}
