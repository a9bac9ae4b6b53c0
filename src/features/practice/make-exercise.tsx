'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { useSent } from '@/platform/client/use-sent';
import { Field } from '@/ui/field';
import { FormFoot } from '@/ui/form-foot';
import { makeExerciseAction } from './actions';
import '@/core/words/en/practice-exercise';

/** An exercise made of a run that is over. */
export function MakeExercise({ run, proposed }: { run: string; proposed: string }) {
  const [open, setOpen] = useState(false);
  const [title, setTitle] = useState(proposed);
  const { problems, message, send } = useSent();
  const router = useRouter();
  const save = async (event: React.FormEvent) => {
    event.preventDefault();
    if (await send(() => makeExerciseAction({ run, title }))) router.push('/practice');
  };
  const label = say({ code: 'practice.make' });
  return (
    <details className="mt-2" open={open} onToggle={(event) => setOpen(event.currentTarget.open)} data-testid="make-exercise">
      <summary className="small">{label}</summary>
      <form onSubmit={save} noValidate className="mt-2">
        <p className="small quiet mb-2">{say({ code: 'practice.makeHow' })}</p>
        <Field label={say({ code: 'practice.makeTitle' })} problem={problems.title}>
          <Form.Control value={title} maxLength={120} onChange={(event) => setTitle(event.target.value)} />
        </Field>
        <FormFoot
          message={problems.title ? '' : message}
          save={label}
          leave={say({ code: 'practice.leave' })}
          onLeave={() => setOpen(false)}
        />
      </form>
    </details>
  );
}
