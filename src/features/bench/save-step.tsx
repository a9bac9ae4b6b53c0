'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { PlannedStep } from '@/core/run/plan';
import type { LiveRun } from './use-run';

/** Not saved is not calibrated: a separate confirm, with what was read back where the instrument shows it. */
export function SaveStep({ run, present }: { run: LiveRun; present: PlannedStep }) {
  const [readBack, setReadBack] = useState('');
  const needs = present.step.kind === 'save' && present.step.evidence === 'readBackDate';
  return (
    <form
      className="d-flex gap-2 align-items-center"
      onSubmit={(event) => {
        event.preventDefault();
        void run.send({ type: 'save', step: present.key, ...(readBack ? { readBack } : {}) });
      }}
    >
      {needs && (
        <input
          className="form-control"
          style={{ width: '14rem' }}
          aria-label="Last-calibration date read back"
          placeholder="date read back"
          value={readBack}
          onChange={(event) => setReadBack(event.target.value)}
        />
      )}
      <Button data-main-action type="submit" size="lg" disabled={run.busy}>
        The instrument has saved <kbd>N</kbd>
      </Button>
    </form>
  );
}
