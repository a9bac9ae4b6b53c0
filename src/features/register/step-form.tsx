'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { CAUSES, choicesOf, TOLD, type NonconformityStep } from '@/core/record/nonconformity';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { noteStepAction } from './actions';
import '@/core/words/en/register';

const nameOf = (choice: string): string => {
  const cause = CAUSES.find((one) => one === choice);
  const told = TOLD.find((one) => one === choice);
  return cause ? say({ code: `register.cause.${cause}` }) : told ? say({ code: `register.told.${told}` }) : choice;
};

/** One step, in words, with a choice where there is one. */
export function StepForm({ id, step, anew }: { id: string; step: NonconformityStep; anew: boolean }) {
  const router = useRouter();
  const choices = choicesOf(step);
  const [choice, setChoice] = useState('');
  const [text, setText] = useState('');
  const [lookAgainOn, setLookAgainOn] = useState('');
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => noteStepAction({ id, step, choice, text, lookAgainOn: lookAgainOn || null }));
    setMessage(result.ok ? '' : (Object.values(result.fields)[0] ?? messageBeside(result)));
    if (result.ok) router.refresh();
  };
  const label = say({ code: `register.step.${step}` });
  return (
    <form onSubmit={send} noValidate className="d-flex flex-wrap gap-2 align-items-start">
      {choices && (
        <Form.Select
          style={{ maxWidth: '18rem' }}
          aria-label={`${label}: ${say({ code: 'register.needsChoice' })}`}
          value={choice}
          onChange={(event) => setChoice(event.target.value)}
        >
          <option value="">{say({ code: 'register.needsChoice' })}</option>
          {choices.map((one) => (
            <option key={one} value={one}>
              {nameOf(one)}
            </option>
          ))}
        </Form.Select>
      )}
      <Form.Control
        style={{ maxWidth: '34rem' }}
        autoComplete="off"
        aria-label={label}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {step === 'action' && (
        <span style={{ width: '12rem' }}>
          <DayInput aria-label={say({ code: 'register.lookAgain' })} value={lookAgainOn} onChange={setLookAgainOn} />
          <span className="small quiet">{say({ code: 'register.lookAgain' })}</span>
        </span>
      )}
      <Button type="submit" variant="plain">
        {say({ code: anew ? 'register.again' : 'register.save' })}
      </Button>
      {message && (
        <span className="field-problem" role="alert">
          {message}
        </span>
      )}
    </form>
  );
}
