'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { waitBegan } from '@/core/run/handle-step';
import type { PlannedStep } from '@/core/run/plan';
import { Countdown } from '@/ui/running-clock';
import type { LiveRun } from '../use-run';

/** A clock that runs down. Going on before its time asks for the reason and is a deviation on record. */
export function WaitStep({ run, present }: { run: LiveRun; present: PlannedStep }) {
  const [reason, setReason] = useState('');
  const early = run.refusal?.code === 'tooEarly';
  const began = waitBegan(present, run.state);
  const seconds = present.step.kind === 'wait' ? present.step.minSeconds : 0;
  const until = began ? new Date(Date.parse(began) + seconds * 1000).toISOString() : null;
  const go = (deviation?: string) => run.send({ type: 'completeStep', step: present.key, ...(deviation ? { deviation } : {}) });
  return (
    <div>
      {until && <Countdown until={until} className="big-clock clock" />}
      <div className="mt-3">
        <Button data-main-action size="lg" disabled={run.busy} onClick={() => go()}>
          Go on <kbd>N</kbd>
        </Button>
      </div>
      {early && (
        <form
          className="mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            void go(reason);
          }}
        >
          <label className="field-problem" htmlFor="deviation">
            {run.refusal!.sentence}
          </label>
          <div className="d-flex gap-2" style={{ maxWidth: '34rem' }}>
            <input
              id="deviation"
              className="form-control"
              autoFocus
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              placeholder="Reason"
            />
            <Button type="submit" variant="outline-danger" disabled={reason.trim().length < 3}>
              Go on all the same
            </Button>
          </div>
        </form>
      )}
    </div>
  );
}
