'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { FileButton } from '@/ui/file-button';
import { VerdictMark } from '@/ui/verdict-mark';
import '@/core/words/en/models';
import { takeModelsAction } from './actions';
import type { ModelTaken } from './server/take-models';

const MARKS = { made: 'within', there: 'notMeasured', misfit: 'outside' } as const;

/** Models from a file of another house, or of this one: what became of each is said. */
export function TakeModelsForm() {
  const router = useRouter();
  const [taken, setTaken] = useState<ModelTaken[]>([]);
  const [said, setSaid] = useState('');
  const read = async (file: File | undefined) => {
    if (!file) return;
    setTaken([]);
    let given: unknown;
    try {
      given = JSON.parse(await file.text());
    } catch {
      return setSaid(say({ code: 'models.noFile' }));
    }
    const result = await attempt(() => takeModelsAction(given as never));
    setSaid(result.ok ? '' : (Object.values(result.fields)[0] ?? result.message));
    if (!result.ok) return;
    setTaken(result.value);
    router.refresh();
  };
  return (
    <>
      <FileButton label={say({ code: 'models.take' })} accept="application/json,.json" take={([file]) => void read(file)} />
      {said && (
        <p className="field-problem w-100" role="alert">
          {said}
        </p>
      )}
      {taken.length > 0 && (
        <ul className="sheet list-unstyled w-100" role="status" data-testid="models-taken">
          {taken.map((one, index) => (
            <li key={index}>
              <VerdictMark state={MARKS[one.state]} word={say({ code: `models.${one.state}` })} /> {one.model}
              {one.why.map((why) => (
                <span key={why} className="field-problem d-block small">
                  {why}
                </span>
              ))}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
