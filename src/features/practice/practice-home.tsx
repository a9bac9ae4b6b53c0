'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { EXERCISE_KINDS, type ExerciseKind } from '@/core/practice/exercise';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import '@/core/words/en/practice-exercise';

const DRAWN = EXERCISE_KINDS.filter((one): one is Exclude<ExerciseKind, 'own'> => one !== 'own');
/** Exercises are drawn by a number of this many. */
const SEEDS = 1_000_000;

export const newSeed = (): number => Math.floor(Math.random() * SEEDS);

/** What can be practised, on which instrument. */
export function PracticeHome({ models }: { models: { id: string; name: string; procedure: string }[] }) {
  const [kind, setKind] = useState<(typeof DRAWN)[number]>('guided');
  const [model, setModel] = useState(models[0]?.id ?? '');
  const router = useRouter();
  const chosen = models.find((one) => one.id === model);
  return (
    <form
      className="sheet mb-3"
      data-testid="practice-home"
      onSubmit={(event) => {
        event.preventDefault();
        router.push(`/practice/do?kind=${kind}&model=${model}&seed=${newSeed()}`);
      }}
    >
      <div className="row">
        <div className="col-md-8">
          <span className="form-label d-block mb-1">{say({ code: 'practice.chooseKind' })}</span>
          <div className="row g-2 mb-2" role="radiogroup" aria-label={say({ code: 'practice.chooseKind' })}>
            {DRAWN.map((one) => (
              <div key={one} className="col-md-6">
                <label className={`sheet h-100 d-block m-0${kind === one ? ' best-match' : ''}`}>
                  <Form.Check
                    type="radio"
                    name="kind"
                    className="d-inline-block me-2"
                    checked={kind === one}
                    onChange={() => setKind(one)}
                    aria-label={say({ code: `practice.kind.${one}` })}
                  />
                  <strong>{say({ code: `practice.kind.${one}` })}</strong>
                  <span className="d-block small quiet">{say({ code: `practice.task.${one}` })}</span>
                </label>
              </div>
            ))}
          </div>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'practice.chooseModel' })} help={chosen?.procedure}>
            <Form.Select value={model} onChange={(event) => setModel(event.target.value)}>
              {models.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Form.Select>
          </Field>
          <Button type="submit" size="lg" disabled={!model}>
            {say({ code: 'practice.begin' })}
          </Button>
        </div>
      </div>
    </form>
  );
}
