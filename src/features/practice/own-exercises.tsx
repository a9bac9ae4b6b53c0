'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { useSent } from '@/platform/client/use-sent';
import { Field } from '@/ui/field';
import { dayTime } from '@/ui/format';
import { FormFoot } from '@/ui/form-foot';
import { Link } from '@/ui/link';
import { WhyForm } from '@/ui/why-form';
import { correctExerciseAction, endExerciseAction } from './actions';
import type { ExerciseLine } from './server/list-practice';
import '@/core/words/en/practice-exercise';

/** Exercises that were made of runs of ours: worked, called otherwise, ended. */
export function OwnExercises({ lines, zone, mayChange }: { lines: ExerciseLine[]; zone: string; mayChange: boolean }) {
  const [open, setOpen] = useState<string | null>(null);
  if (lines.length === 0) return <p className="quiet">{say({ code: 'practice.noOwn' })}</p>;
  return (
    <div className="sheet mb-3">
      <table className="table mb-0" data-testid="own-exercises">
        <tbody>
          {lines.map((one) => (
            <tr key={one.id}>
              <td>
                {one.endedWhy ? <s>{one.title}</s> : <Link href={`/practice/do?kind=own&own=${one.id}&seed=0`}>{one.title}</Link>}
                <div className="small quiet">
                  {say({ code: 'practice.madeBy', numbers: { by: one.madeBy, on: dayTime(one.madeAt.toISOString(), zone) } })} ·{' '}
                  {say({ code: 'practice.timesWorked', numbers: { n: one.worked } })}
                  {one.endedWhy && ` · ${one.endedWhy}`}
                </div>
                {mayChange && !one.endedWhy && (
                  <WhyForm
                    testId={`end-${one.id}`}
                    title={say({ code: 'practice.end' })}
                    label={say({ code: 'practice.endWhy' })}
                    act={async (reason) => {
                      const result = await attempt(() => endExerciseAction({ id: one.id, reason }));
                      return result.ok ? '' : (result.fields.reason ?? result.message);
                    }}
                  />
                )}
                {open === one.id && <NameForm line={one} onDone={() => setOpen(null)} />}
              </td>
              <td className="text-end text-nowrap">
                {mayChange && !one.endedWhy && (
                  <Button size="sm" variant="plain" onClick={() => setOpen(one.id)}>
                    {say({ code: 'practice.rename' })}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function NameForm({ line, onDone }: { line: ExerciseLine; onDone: () => void }) {
  const [title, setTitle] = useState(line.title);
  const { problems, message, send } = useSent();
  const save = async (event: React.FormEvent) => {
    event.preventDefault();
    if (await send(() => correctExerciseAction({ id: line.id, title, seen: line.title }))) onDone();
  };
  return (
    <form onSubmit={save} noValidate className="mt-2">
      <Field label={say({ code: 'practice.makeTitle' })} problem={problems.title}>
        <Form.Control value={title} onChange={(event) => setTitle(event.target.value)} />
      </Field>
      <FormFoot
        message={problems.title ? '' : message}
        save={say({ code: 'practice.save' })}
        leave={say({ code: 'practice.leave' })}
        onLeave={onDone}
      />
    </form>
  );
}
