'use client';
import { useState } from 'react';
import { refuse, type Refusal } from '@/core/run/refusal';
import type { RecordedReading } from '@/core/run/state';
import { say } from '@/core/words/say';
import type { LiveRun } from './use-run';
import type { RunView } from './server/run-view';

/** Mends a reading of a reopened document: the figure that was really read, or the bottle it was really compared with. The old one stays, struck. */
export function CorrectForm({
  run,
  view,
  reading,
  done,
}: {
  run: LiveRun;
  view: RunView;
  reading: RecordedReading;
  done: () => void;
}) {
  const [text, setText] = useState(reading.reading.text);
  const [reference, setReference] = useState('');
  const [reason, setReason] = useState('');
  const [refused, setRefused] = useState<Refusal | null>(null);
  const target = view.procedure.points.find((one) => one.id === reading.point)?.target;
  const slot = target && 'slot' in target ? view.procedure.slots.find((one) => one.id === target.slot) : undefined;
  const compared = run.state.bindings.find((one) => one.seq === reading.target?.binding)?.reference;
  const others = slot ? view.shelf.filter((one) => one.kind === slot.kind && one.id !== compared?.id) : [];
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (reason.trim().length < 3) return setRefused(refuse('noReason', say({ code: 'bench.correctWhy' }), { field: 'reason' }));
    const problem = await run.send({
      type: 'correct',
      seq: reading.seq,
      ...(text.trim() === reading.reading.text ? {} : { text: text.trim() }),
      ...(reference ? { reference } : {}),
      reason: reason.trim(),
    });
    if (problem) return setRefused(problem);
    done();
  };
  const unnamed = refused && !['text', 'reference', 'reason'].includes(refused.field ?? '');
  const problemAt = (field: string) =>
    refused?.field === field || (field === 'text' && unnamed) ? (
      <div className="field-problem" role="alert">
        {refused!.sentence}
      </div>
    ) : null;
  return (
    <form onSubmit={send} className="correct-form my-2" data-testid="correct-form">
      <label className="form-label small" htmlFor="correct-text">
        {say({ code: 'bench.correctText', numbers: { unit: reading.reading.unit } })}
      </label>
      <input
        id="correct-text"
        className="form-control form-control-sm mono"
        autoFocus
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {problemAt('text')}
      {others.length > 0 && (
        <>
          <label className="form-label small mt-1" htmlFor="correct-reference">
            {say({ code: 'bench.correctReference' })}
          </label>
          <select
            id="correct-reference"
            className="form-select form-select-sm"
            value={reference}
            onChange={(event) => setReference(event.target.value)}
          >
            <option value="">{compared ? `${compared.name}, ${compared.lot}` : say({ code: 'bench.correctSame' })}</option>
            {others.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}, {one.lot}
              </option>
            ))}
          </select>
          {problemAt('reference')}
        </>
      )}
      <label className="form-label small mt-1" htmlFor="correct-reason">
        {say({ code: 'bench.correctReason' })}
      </label>
      <input
        id="correct-reason"
        className="form-control form-control-sm"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
      {problemAt('reason')}
      <div className="d-flex gap-2 mt-2">
        <button className="btn btn-sm btn-primary" type="submit" disabled={run.busy}>
          {say({ code: 'bench.correctDo' })}
        </button>
        <button className="btn btn-sm btn-plain" type="button" onClick={done}>
          {say({ code: 'bench.leave' })}
        </button>
      </div>
    </form>
  );
}
