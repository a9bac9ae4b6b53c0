'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ASKED_BY_HAND } from '@/core/stored/question';
import { say } from '@/core/words/say';
import { useSent } from '@/platform/client/use-sent';
import { Field } from '@/ui/field';
import { FormFoot } from '@/ui/form-foot';
import { useReady } from '@/ui/use-ready';
import { askByMailAction } from './actions';
import { QuestionLines } from './question-lines';
import type { QuestionLine } from './server/list-questions';
import '@/core/words/en/questions';

type About = (typeof ASKED_BY_HAND)[number];
/** What can be asked, with the sentence that it begins with; of tolerances each that is agreed. */
export interface ToAsk {
  about: About;
  subjectId?: string | undefined;
  label: string;
  asked: string;
}
interface Props {
  customerId: string;
  lines: readonly QuestionLine[];
  toAsk: readonly ToAsk[];
  emails: readonly string[];
  zone: string;
  mayKeep: boolean;
}

/** What this customer was asked by link, and a way to ask. */
export function QuestionsPanel({ customerId, lines, toAsk, emails, zone, mayKeep }: Props) {
  const [open, setOpen] = useState(false);
  const ready = useReady();
  return (
    <section className="sheet mt-3" data-testid="questions" id="questions">
      <h2>{say({ code: 'question.title' })}</h2>
      {lines.length === 0 && !open && <p className="quiet">{say({ code: 'question.none' })}</p>}
      <QuestionLines lines={lines} zone={zone} mayKeep={mayKeep} />
      {mayKeep && !open && (
        <Button size="sm" variant="plain" disabled={!ready} onClick={() => setOpen(true)}>
          {say({ code: 'question.ask' })}
        </Button>
      )}
      {open && <AskForm customerId={customerId} toAsk={toAsk} emails={emails} onDone={() => setOpen(false)} />}
    </section>
  );
}

interface FormProps extends Pick<Props, 'customerId' | 'toAsk' | 'emails'> {
  onDone: () => void;
}

function AskForm({ customerId, toAsk, emails, onDone }: FormProps) {
  const [at, setAt] = useState(0);
  const [asked, setAsked] = useState(toAsk[0]?.asked ?? '');
  const [to, setTo] = useState(emails[0] ?? '');
  const { problems, message, send } = useSent();
  const chosen = toAsk[at]!;
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    const { about, subjectId } = chosen;
    if (await send(() => askByMailAction({ customerId, about, subjectId, asked, to }))) onDone();
  };
  return (
    <form onSubmit={submit} noValidate data-testid="ask-form">
      <Field label={say({ code: 'question.about' })} problem={problems.subjectId}>
        <Form.Select
          value={at}
          onChange={(event) => {
            const next = Number(event.target.value);
            setAt(next);
            setAsked(toAsk[next]!.asked);
          }}
        >
          {toAsk.map((one, index) => (
            <option key={one.label} value={index}>
              {one.label}
            </option>
          ))}
        </Form.Select>
      </Field>
      <Field label={say({ code: 'question.asked' })} problem={problems.asked}>
        <Form.Control as="textarea" rows={5} value={asked} onChange={(event) => setAsked(event.target.value)} />
      </Field>
      <Field label={say({ code: 'question.to' })} problem={problems.to}>
        <Form.Control type="email" autoComplete="off" list="ask-to" value={to} onChange={(event) => setTo(event.target.value)} />
      </Field>
      <datalist id="ask-to">
        {emails.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <FormFoot
        message={message}
        save={say({ code: 'question.send' })}
        leave={say({ code: 'question.leave' })}
        onLeave={onDone}
      />
    </form>
  );
}
