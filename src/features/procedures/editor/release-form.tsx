'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { releaseProcedureAction } from '../actions';
import '@/core/words/en/procedures';

const FIELDS = ['note', 'tried', 'result', 'validatedOn', 'validatedBy'] as const;
type Name = (typeof FIELDS)[number];

/** Releases the draft, with the record of its validation. */
export function ReleaseForm({
  procedureId,
  rowVersion,
  me,
  today,
}: {
  procedureId: string;
  rowVersion: number;
  me: string;
  today: string;
}) {
  const router = useRouter();
  const [typed, setTyped] = useState<Record<Name, string>>({
    note: '',
    tried: '',
    result: '',
    validatedOn: today,
    validatedBy: me,
  });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [said, setSaid] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => releaseProcedureAction({ procedureId, rowVersion, ...typed }));
    if (result.ok) return router.push(`/procedures/${procedureId}`);
    setProblems(result.fields);
    setSaid(Object.keys(result.fields).length ? '' : result.message);
  };
  return (
    <form className="sheet mt-3" onSubmit={send} noValidate data-testid="release">
      <h2>{say({ code: 'procedures.release' })}</h2>
      <p className="quiet">{say({ code: 'procedures.releaseHow' })}</p>
      {FIELDS.map((name) => (
        <Field key={name} label={say({ code: `procedures.${name}` })} problem={problems[name]}>
          {name === 'validatedOn' ? (
            <DayInput value={typed.validatedOn} onChange={(value) => setTyped({ ...typed, validatedOn: value })} />
          ) : (
            <FormControl
              {...(name === 'tried' || name === 'result' ? { as: 'textarea' as const, rows: 2 } : {})}
              value={typed[name]}
              onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
            />
          )}
        </Field>
      ))}
      <Button type="submit" variant="primary">
        {say({ code: 'procedures.release' })}
      </Button>
      {said && (
        <p className="field-problem mb-0 mt-2" role="alert">
          {said}
        </p>
      )}
    </form>
  );
}
