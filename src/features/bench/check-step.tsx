'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { CheckItem } from '@/core/procedure/procedure';
import type { Answer } from '@/core/run/command';
import type { PlannedStep } from '@/core/run/plan';
import { Field } from '@/ui/field';
import { useKept } from '@/ui/use-kept';
import type { LiveRun } from './use-run';

const CHOICES = {
  passFault: [
    ['pass', 'Pass'],
    ['fault', 'Fault'],
  ],
  yesNo: [
    ['yes', 'Yes'],
    ['no', 'No'],
  ],
} as const;
const NO_ANSWERS: Record<string, Answer> = {};
const NO_FIGURES: Record<string, string> = {};

/** Questions with their answers; a fault asks for a note. */
export function CheckStep({ run, present, items }: { run: LiveRun; present: PlannedStep; items: CheckItem[] }) {
  const [answers, setAnswers] = useState(NO_ANSWERS);
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);
  const set = (id: string, change: Partial<Answer>) => setAnswers({ ...answers, [id]: { value: '', ...answers[id], ...change } });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const refused = await run.send({ type: 'completeStep', step: present.key, answers });
    if (refused) setProblem({ field: refused.field ?? '', text: refused.sentence });
  };
  return (
    <form onSubmit={send}>
      {items.map((item) => (
        <div key={item.id} className="d-flex flex-wrap gap-2 align-items-center mb-2">
          <span style={{ minWidth: '16rem' }}>{item.label}</span>
          {item.answer === 'passFault' || item.answer === 'yesNo' ? (
            <span className="btn-group" role="group" aria-label={item.label}>
              {CHOICES[item.answer].map(([value, label]) => (
                <Button
                  key={value}
                  variant="plain"
                  active={answers[item.id]?.value === value}
                  aria-pressed={answers[item.id]?.value === value}
                  onClick={() => set(item.id, { value })}
                >
                  {label}
                </Button>
              ))}
            </span>
          ) : (
            <Form.Control
              style={{ width: '10rem' }}
              aria-label={item.label}
              value={answers[item.id]?.value ?? ''}
              onChange={(event) => set(item.id, { value: event.target.value })}
            />
          )}
          {answers[item.id]?.value === 'fault' && (
            <Form.Control
              style={{ width: '18rem' }}
              aria-label={`What is wrong: ${item.label}`}
              placeholder="What is wrong?"
              value={answers[item.id]?.note ?? ''}
              onChange={(event) => set(item.id, { note: event.target.value })}
            />
          )}
          {problem?.field === item.id && (
            <div className="field-problem w-100" role="alert">
              {problem.text}
            </div>
          )}
        </div>
      ))}
      <Button data-main-action type="submit" size="lg" disabled={run.busy}>
        Done <kbd>N</kbd>
      </Button>
    </form>
  );
}

const QUANTITIES = {
  temperatureC: ['Temperature, °C', '21.5'],
  pressureHPa: ['Air pressure, hPa', '1013'],
  humidityPercent: ['Relative humidity, %', '45'],
} as const;

export function ConditionStep({
  run,
  present,
  quantities,
}: {
  run: LiveRun;
  present: PlannedStep;
  quantities: (keyof typeof QUANTITIES)[];
}) {
  const [values, keep] = useKept(`${run.state.run}/${present.key}`, NO_FIGURES);
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const refused = await run.send({ type: 'completeStep', step: present.key, conditions: values });
    setProblem(refused ? { field: refused.field ?? '', text: refused.sentence } : null);
  };
  return (
    <form onSubmit={send}>
      <div className="d-flex flex-wrap gap-3">
        {quantities.map((quantity, index) => (
          <div key={quantity} style={{ width: '11rem' }}>
            <Field label={QUANTITIES[quantity][0]} problem={problem?.field === quantity ? problem.text : undefined}>
              <Form.Control
                className="mono"
                inputMode="decimal"
                autoFocus={index === 0}
                placeholder={QUANTITIES[quantity][1]}
                value={values[quantity] ?? ''}
                onChange={(event) => keep({ ...values, [quantity]: event.target.value.trim() })}
              />
            </Field>
          </div>
        ))}
      </div>
      <Button data-main-action type="submit" size="lg" disabled={run.busy} className="mt-2">
        Record <kbd>N</kbd>
      </Button>
    </form>
  );
}
