'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import type { PlannedStep } from '@/core/run/plan-node';
import { Countdown } from '@/ui/running-clock';
import type { Sheet } from '../sheet';

/** Not saved is not calibrated: a separate confirm with its deadline, or by itself; proved by what the instrument says or by what is read back. */
export function SaveStep({ sheet, present }: { sheet: Sheet; present: PlannedStep }) {
  const { run, view, live } = sheet;
  const [typed, setTyped] = useState<string | null>(null);
  const step = present.step;
  if (step.kind !== 'save') return null;
  const adjusted = run.state.adjustments.filter((one) => !one.struck).at(-1)?.at ?? '';
  const heard = live.notices.filter((one) => one.at >= adjusted && (one.notice === 'saved' || one.notice === 'saveLost')).at(-1);
  const lost = heard?.notice === 'saveLost';
  const shown = view.line?.hello?.facts?.lastCalibration;
  const needs = step.evidence === 'readBackDate';
  const readBack = typed ?? (needs ? (shown ?? '') : '');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void run.send({ type: 'save', step: present.key, ...(readBack ? { readBack } : {}) });
      }}
    >
      {step.deadlineSeconds !== undefined && adjusted && (
        <p className="mb-2">
          Time to confirm{' '}
          <Countdown
            until={new Date(Date.parse(adjusted) + step.deadlineSeconds * 1000).toISOString()}
            className="clock fw-bold"
          />
        </p>
      )}
      {sheet.onLine && (
        <p className={lost ? 'notice bad mb-2' : 'mb-2'} role={lost ? 'alert' : undefined} data-testid="instrument-says">
          {heard
            ? lost
              ? say({ code: 'saveStep.saysLost' })
              : 'The instrument says: saved.'
            : live.frame?.mode === 'unsaved'
              ? 'It waits for its save key.'
              : 'It has said nothing of a save yet.'}
        </p>
      )}
      <div className="d-flex gap-2 align-items-center">
        {needs && (
          <input
            className="form-control mono"
            style={{ width: '14rem' }}
            aria-label="Last-calibration date read back"
            placeholder="date read back"
            value={readBack}
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
        <Button data-main-action type="submit" size="lg" disabled={run.busy}>
          {say({ code: 'saveStep.shown' })} <kbd>N</kbd>
        </Button>
        <Button
          variant="outline-danger"
          size="lg"
          disabled={run.busy}
          onClick={() => run.send({ type: 'save', step: present.key, lost: true, ...(readBack ? { readBack } : {}) })}
        >
          {say({ code: 'saveStep.lost' })}
        </Button>
      </div>
    </form>
  );
}
