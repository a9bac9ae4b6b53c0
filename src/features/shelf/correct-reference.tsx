'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useForm, type Resolver } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { correctReferenceAction } from './actions';
import { ReferenceFields, statesFigures } from './reference-fields';
import { referenceSchema, type ReferenceInput } from './shelf-schema';
import '@/core/words/en/shelf';

/** What was entered wrongly is put right here, with its reason; what is on record of it stays readable in the log of changes. */
export function CorrectReference({ id, input, seen }: { id: string; input: ReferenceInput; seen: string }) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [whyProblem, setWhyProblem] = useState('');
  const [message, setMessage] = useState('');
  const form = useForm<ReferenceInput>({
    resolver: yupResolver(referenceSchema) as Resolver<ReferenceInput>,
    values: input,
  });
  const submit = form.handleSubmit(async (typed) => {
    // What can't be changed is not in the form's answer: the browser leaves resting fields out.
    const values = { ...typed, kind: input.kind, role: input.role };
    const answer = await attempt(() =>
      correctReferenceAction({ id, why, seen, input: { ...values, components: statesFigures(values) ? values.components : [] } }),
    );
    if (answer.ok) {
      setMessage(say({ code: answer.value.lapsed ? 'shelf.lapsed' : 'shelf.saved' }));
      setWhy('');
      setWhyProblem('');
      router.refresh();
      return;
    }
    for (const [name, text] of Object.entries(answer.fields))
      form.setError(name.replace(/^input\./, '') as 'lot', { message: text });
    setWhyProblem(answer.fields.why ?? '');
    setMessage(answer.message);
  });
  return (
    <details className="sheet mt-3" data-testid="correct-reference">
      <summary>{say({ code: 'shelf.correct' })}</summary>
      <p className="quiet">{say({ code: 'shelf.correctHow' })}</p>
      <form onSubmit={submit} noValidate>
        {message && (
          <p className="notice" role="status">
            {message}
          </p>
        )}
        <ReferenceFields form={form} fixed />
        <Field label={say({ code: 'shelf.why' })} problem={whyProblem}>
          <Form.Control
            value={why}
            placeholder={say({ code: 'shelf.whyExample' })}
            onChange={(event) => setWhy(event.target.value)}
          />
        </Field>
        <Button type="submit" disabled={form.formState.isSubmitting}>
          {say({ code: 'shelf.save' })}
        </Button>
      </form>
    </details>
  );
}
