'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { checkReference } from '@/core/run/check-reference';
import { measuredChannels } from '@/core/run/state';
import { day } from '@/ui/format';
import type { RunView } from './server/run-view';
import type { LiveRun } from './use-run';

/** The shelf for this step. What can't be used stays in sight with the reason; the server refuses it all the same. */
export function ReferenceStep({ run, view, slots }: { run: LiveRun; view: RunView; slots: string[] }) {
  const [flow, setFlow] = useState('0.5');
  const slot = view.procedure.slots.find(
    (one) =>
      one.id ===
        slots.find((id) => !run.state.bindings.some((binding) => binding.slot === id && !binding.released && !binding.struck)) ||
      one.id === slots[0],
  )!;
  const fitting = view.shelf
    .filter((reference) => reference.kind === slot.kind)
    .map((reference) => ({
      reference,
      problem: checkReference({ reference, slot, channels: measuredChannels(run.state), today: view.today }),
    }))
    .sort(
      (a, b) =>
        Number(Boolean(a.problem)) - Number(Boolean(b.problem)) ||
        Number(b.reference.availableL ?? 0) - Number(a.reference.availableL ?? 0),
    );
  return (
    <div>
      {slot.kind === 'gas' && (
        <Form.Label className="d-flex gap-2 align-items-center mb-3">
          Regulator flow, L/min{' '}
          <Form.Control
            className="mono"
            style={{ width: '5.5rem' }}
            value={flow}
            onChange={(event) => setFlow(event.target.value)}
            inputMode="decimal"
          />
        </Form.Label>
      )}
      <div className="d-flex flex-column gap-2" style={{ maxHeight: '24rem', overflowY: 'auto' }}>
        {fitting.map(({ reference, problem }) => (
          <div
            key={reference.id}
            className="d-flex flex-wrap gap-3 align-items-center sheet py-2 m-0"
            data-testid={`reference-${reference.lot}`}
          >
            <div style={{ flex: '1 1 20rem', opacity: problem ? 0.75 : 1 }}>
              <strong>{reference.name}</strong> <span className="mono">{reference.lot}</span>
              {reference.expires && <span className="quiet"> until {day(reference.expires)}</span>}
              {reference.availableL && <span> · {reference.availableL} L left</span>}
              <div className="small quiet">
                {reference.components
                  .map((component) => `${component.substance} ${component.value} ${component.unit} ± ${component.expanded}`)
                  .join(' · ')}
              </div>
              {problem && <div className="field-problem">{problem.sentence}</div>}
            </div>
            <Button
              variant={problem ? 'plain' : 'primary'}
              disabled={run.busy || Boolean(problem)}
              onClick={() =>
                run.send({
                  type: 'bindReference',
                  slot: slot.id,
                  reference: reference.id,
                  ...(slot.kind === 'gas' ? { flowLPerMin: flow } : {}),
                })
              }
            >
              {problem ? 'Can’t be used' : 'Use this one'}
            </Button>
          </div>
        ))}
      </div>
      {run.refusal && ['reference', 'flowLPerMin'].includes(run.refusal.field ?? '') && (
        <p className="notice bad mt-2 mb-0" role="alert">
          {run.refusal.sentence}
        </p>
      )}
    </div>
  );
}
