'use client';
import { useId, useState } from 'react';
import { useRouter } from 'next/navigation';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { takeProcedureAction } from './actions';
import '@/core/words/en/models';
import '@/core/words/en/procedures';

/** A procedure from a file of another house, or of this one: it comes in as a draft. */
export function TakeProcedureForm() {
  const router = useRouter();
  const id = useId();
  const [said, setSaid] = useState('');
  const read = async (file: File | undefined) => {
    if (!file) return;
    let given: { procedure?: object };
    try {
      given = JSON.parse(await file.text()) as { procedure?: object };
    } catch {
      return setSaid(say({ code: 'models.noFile' }));
    }
    const result = await attempt(() => takeProcedureAction({ procedure: given.procedure as object }));
    if (result.ok) router.push(`/procedures/${result.value.id}/edit`);
    else setSaid(Object.values(result.fields)[0] ?? result.message);
  };
  return (
    <>
      <label className="btn btn-plain mb-0 end" htmlFor={id}>
        {say({ code: 'procedures.take' })}
        <input
          id={id}
          type="file"
          accept="application/json,.json"
          className="visually-hidden"
          onChange={(event) => {
            void read(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
      {said && (
        <p className="field-problem w-100" role="alert">
          {said}
        </p>
      )}
    </>
  );
}
