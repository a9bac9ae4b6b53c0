'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { attempt } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { noteCheckAction } from './actions';

/** A reading of the gauge, a check, or a change of state: each stays on record. */
export function NoteCheck({
  id,
  kind,
  opened,
  accepted,
}: {
  id: string;
  kind: ReferenceSnapshot['kind'];
  opened: boolean;
  accepted: boolean;
}) {
  const router = useRouter();
  const gas = kind === 'gas';
  const liquid = ['buffer', 'standard', 'solution'].includes(kind);
  const [bar, setBar] = useState('');
  const [note, setNote] = useState('');
  const [nextDue, setNextDue] = useState('');
  const [fields, setFields] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (input: { what: string; value?: string; result?: string }) => {
    const answer = await attempt(() => noteCheckAction({ id, note, nextDue, ...input }));
    setFields(answer.ok ? {} : answer.fields);
    setMessage(answer.ok || Object.keys(answer.fields).length ? '' : answer.message);
    if (!answer.ok) return;
    setBar('');
    setNote('');
    router.refresh();
  };
  return (
    <div>
      {gas && (
        <form
          className="d-flex gap-2 align-items-end"
          onSubmit={(event) => {
            event.preventDefault();
            void send({ what: 'pressure', value: bar });
          }}
        >
          <Field label="Gauge shows, bar" problem={fields.value}>
            <Form.Control
              className="mono"
              inputMode="decimal"
              value={bar}
              onChange={(event) => setBar(event.target.value)}
              style={{ width: '8rem' }}
            />
          </Field>
          <Button type="submit" variant="plain" className="mb-2">
            Note the pressure
          </Button>
        </form>
      )}
      <Field label="Note" problem={fields.note}>
        <Form.Control value={note} onChange={(event) => setNote(event.target.value)} />
      </Field>
      {!gas && !liquid && (
        <Field label="Next check due" problem={fields.nextDue}>
          <DayInput value={nextDue} onChange={(value) => setNextDue(value)} />
        </Field>
      )}
      <div className="d-flex flex-wrap gap-2">
        {!accepted && (
          <Button size="sm" onClick={() => send({ what: 'accepted' })}>
            Accept for use
          </Button>
        )}
        {liquid && !opened && (
          <Button size="sm" variant="plain" onClick={() => send({ what: 'opened' })}>
            Opened today
          </Button>
        )}
        {!gas && !liquid && (
          <>
            <Button size="sm" variant="plain" onClick={() => send({ what: 'check', result: 'pass' })}>
              Check passed
            </Button>
            <Button size="sm" variant="plain" onClick={() => send({ what: 'check', result: 'fault' })}>
              Check failed
            </Button>
            <Button size="sm" variant="plain" onClick={() => send({ what: 'state', result: 'spent' })}>
              Spent
            </Button>
          </>
        )}
        <Button size="sm" variant="plain" onClick={() => send({ what: 'state', result: 'outOfUse' })}>
          Take out of use
        </Button>
        <Button size="sm" variant="plain" onClick={() => send({ what: 'state', result: 'good' })}>
          Good again
        </Button>
      </div>
      {message && (
        <p className="field-problem mb-0" role="alert">
          {message}
        </p>
      )}
    </div>
  );
}
