'use client';
import { useState } from 'react';
import { refuse, type Refusal } from '@/core/words/refusal';
import type { RecordedReading } from '@/core/record/state';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import type { LiveRun } from './use-run';
import type { RunView } from './server/run-view';
import '@/core/words/en/correct';

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
  // What belongs to no field of the form stands beside the first.
  const problemAt = (field: string) =>
    refused?.field === field || (field === 'text' && unnamed) ? refused!.sentence : undefined;
  return (
    <form onSubmit={send} className="correct-form my-2" data-testid="correct-form">
      <Field label={say({ code: 'bench.correctText', numbers: { unit: reading.reading.unit } })} problem={problemAt('text')}>
        <input
          className="form-control form-control-sm mono"
          autoFocus
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </Field>
      {others.length > 0 && (
        <Field label={say({ code: 'bench.correctReference' })} problem={problemAt('reference')}>
          <select className="form-select form-select-sm" value={reference} onChange={(event) => setReference(event.target.value)}>
            <option value="">{compared ? `${compared.name}, ${compared.lot}` : say({ code: 'bench.correctSame' })}</option>
            {others.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}, {one.lot}
              </option>
            ))}
          </select>
        </Field>
      )}
      <Field label={say({ code: 'bench.correctReason' })} problem={problemAt('reason')}>
        <input className="form-control form-control-sm" value={reason} onChange={(event) => setReason(event.target.value)} />
      </Field>
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
