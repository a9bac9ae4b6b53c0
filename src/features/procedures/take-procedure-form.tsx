'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { FileButton } from '@/ui/file-button';
import { takeProcedureAction } from './actions';
import '@/core/words/en/models';
import '@/core/words/en/procedures';

/** A procedure from a file of another house, or of this one: it comes in as a draft. */
export function TakeProcedureForm() {
  const router = useRouter();
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
      <FileButton
        label={say({ code: 'procedures.take' })}
        accept="application/json,.json"
        className="end"
        take={([file]) => void read(file)}
      />
      {said && (
        <p className="field-problem w-100" role="alert">
          {said}
        </p>
      )}
    </>
  );
}
