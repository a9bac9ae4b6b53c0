'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { CheckItem } from '@/core/procedure/procedure';
import type { Answer } from '@/core/run/command';
import { say } from '@/core/words/say';
import { useKeys } from '@/ui/use-keys';
import type { PlannedStep } from '@/core/run/plan-node';
import { slotOf } from '../live/live-rules';
import type { Sheet } from '../sheet';
import { suggestAnswers } from './suggest-answers';
import '@/core/words/en/refusals-acts';

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

/** Questions with their answers; a fault asks for a note. */
export function CheckStep({ sheet, present, items }: { sheet: Sheet; present: PlannedStep; items: CheckItem[] }) {
  const { run, view } = sheet;
  const [given, setAnswers] = useState(NO_ANSWERS);
  const read = suggestAnswers(items, view.line, present.channel ? slotOf(view.match, present.channel) : null);
  const answers: Record<string, Answer> = {
    ...Object.fromEntries(Object.entries(read).map(([id, value]) => [id, { value }])),
    ...given,
  };
  const [problem, setProblem] = useState<{ field: string; text: string; code: string } | null>(null);
  const set = (id: string, change: Partial<Answer>) => setAnswers({ ...given, [id]: { value: '', ...answers[id], ...change } });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    // Nothing goes out over a question that nobody answered.
    const open = items.find((item) => !answers[item.id]?.value.trim());
    if (open) {
      setProblem({
        field: open.id,
        text: say({ code: 'refused.unanswered', numbers: { label: open.label } }),
        code: 'unanswered',
      });
      return;
    }
    const refused = await run.send({ type: 'completeStep', step: present.key, answers });
    if (refused) setProblem({ field: refused.field ?? '', text: refused.sentence, code: refused.code });
  };
  const next = items.find((item) => item.answer in CHOICES && !answers[item.id]?.value);
  const press = (which: 0 | 1) => () => {
    if (next) set(next.id, { value: CHOICES[next.answer as keyof typeof CHOICES][which][0] });
  };
  useKeys({ y: press(0), x: press(1) });
  return (
    <form onSubmit={send}>
      {items.map((item, index) => (
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
                  {next?.id === item.id && <kbd>{value === 'pass' || value === 'yes' ? 'Y' : 'X'}</kbd>}
                </Button>
              ))}
            </span>
          ) : (
            <Form.Control
              style={{ width: item.answer === 'text' ? '24rem' : '10rem' }}
              className="mono"
              autoFocus={index === 0 && read[item.id] === undefined}
              aria-label={item.label}
              value={answers[item.id]?.value ?? ''}
              onChange={(event) => set(item.id, { value: event.target.value })}
            />
          )}
          {read[item.id] !== undefined && given[item.id] === undefined && (
            <span className="quiet small">read off the instrument</span>
          )}
          {problem?.field === item.id && problem.code === 'whoAgreed' && (
            <Form.Control
              style={{ width: '18rem' }}
              aria-label={`Who agreed: ${item.label}`}
              placeholder="Who agreed to the change?"
              value={answers[item.id]?.note ?? ''}
              onChange={(event) => set(item.id, { note: event.target.value })}
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
