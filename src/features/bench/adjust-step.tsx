'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { readPairs, type PlannedStep } from '@/core/run/plan';
import { resolveTarget } from '@/core/run/resolve-target';
import { isRefusal } from '@/core/run/refusal';
import type { RunView } from './server/run-view';
import type { LiveRun } from './use-run';

/** Zero or span on the instrument's own keys; here it is only recorded what the instrument said, pass or fail. */
export function AdjustStep({ run, view, present }: { run: LiveRun; view: RunView; present: PlannedStep }) {
  const [raw, setRaw] = useState('');
  const step = present.step;
  if (step.kind !== 'adjust') return null;
  const pairs = readPairs(step, step.together ? undefined : present.channel, view.procedure, run.state);
  const channels = [...new Set(pairs.map((pair) => pair.channel))];
  const label = (id: string) => run.state.channels.find((one) => one.id === id)?.label ?? id;
  const send = (outcome: 'passed' | 'failed') =>
    run.send({ type: 'adjust', step: present.key, channels, outcome, ...(raw.trim() ? { readBack: { raw: raw.trim() } } : {}) });
  return (
    <div>
      {step.action === 'span' || step.action === 'calibrate' ? (
        <ul className="list-unstyled d-flex flex-wrap gap-4 mb-2">
          {pairs.map(({ point, channel }) => {
            const one = run.state.channels.find((candidate) => candidate.id === channel)!;
            const target = resolveTarget({
              point: view.procedure.points.find((candidate) => candidate.id === point)!,
              channel: one,
              state: run.state,
              inputs: {},
              procedure: view.procedure,
            });
            return (
              <li key={`${point}/${channel}`}>
                Set <strong>{one.label}</strong> to{' '}
                {target && !isRefusal(target) ? (
                  <span className="reading-fixed fw-bold">
                    {target.value} {one.unit}
                  </span>
                ) : (
                  'the bottle’s value'
                )}
              </li>
            );
          })}
        </ul>
      ) : (
        <p className="mb-2">{channels.map(label).join(', ')}</p>
      )}
      <div className="d-flex flex-wrap gap-2 align-items-center">
        <Button data-main-action size="lg" disabled={run.busy} onClick={() => send('passed')}>
          Instrument says: passed <kbd>N</kbd>
        </Button>
        <Button size="lg" variant="outline-danger" disabled={run.busy} onClick={() => send('failed')}>
          Failed
        </Button>
        {step.action !== 'zero' && (
          <Form.Control
            className="mono"
            style={{ width: '14rem' }}
            aria-label="Raw sensor output"
            placeholder="raw output, if shown"
            value={raw}
            onChange={(event) => setRaw(event.target.value)}
          />
        )}
      </div>
    </div>
  );
}
