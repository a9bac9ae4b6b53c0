'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { ControlRule } from '@/core/control/out-of-control';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { keepPointAction } from './actions';
import '@/core/words/en/control';

/** A value more: kept with Enter, and at once held against the limits. */
export function KeepValue({ chartId, unit, few }: { chartId: string; unit: string; few: boolean }) {
  const router = useRouter();
  const [value, setValue] = useState('');
  const [note, setNote] = useState('');
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [says, setSays] = useState({ text: '', bad: false });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => keepPointAction({ chartId, value, note }));
    setProblems(result.ok ? {} : result.fields);
    if (!result.ok) return setSays({ text: messageBeside(result), bad: true });
    const rule = result.value.rule as ControlRule | null;
    setSays(
      rule
        ? { text: say({ code: 'control.keptOut', numbers: { why: say({ code: `control.rule.${rule}` }) } }), bad: true }
        : { text: say({ code: few ? 'control.keptFew' : 'control.kept' }), bad: false },
    );
    setValue('');
    setNote('');
    router.refresh();
  };
  return (
    <form onSubmit={send} noValidate className="d-flex flex-wrap gap-3 align-items-end">
      <div style={{ width: '10rem' }}>
        <Field label={`${say({ code: 'control.value' })}, ${unit}`} problem={problems.value}>
          <Form.Control inputMode="decimal" autoComplete="off" value={value} onChange={(event) => setValue(event.target.value)} />
        </Field>
      </div>
      <div className="flex-grow-1" style={{ maxWidth: '28rem' }}>
        <Field label={say({ code: 'control.note' })} problem={problems.note}>
          <Form.Control autoComplete="off" value={note} onChange={(event) => setNote(event.target.value)} />
        </Field>
      </div>
      <Button type="submit" className="mb-2">
        {say({ code: 'control.keep' })}
      </Button>
      {says.text && (
        <p role={says.bad ? 'alert' : 'status'} className={`w-100 mb-0${says.bad ? ' field-problem' : ''}`}>
          {says.text}
        </p>
      )}
    </form>
  );
}
