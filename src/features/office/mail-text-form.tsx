'use client';
import { useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { BLOCKS, PLACES } from '@/core/letter/letter-kind';
import { letterOf } from '@/core/letter/letter-of';
import { letterProblems } from '@/core/letter/letter-problem';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { useReady } from '@/ui/use-ready';
import { dropMailTextAction, keepMailTextAction } from './actions';
import { saidOfLetter } from './said-of-letter';
import type { MailTextPage } from './server/mail-texts';
import '@/core/words/en/mails-room';

type Box = 'subject' | 'body';

/** One letter's text, its places as keys, and what it will look like beside it while it is typed. */
export function MailTextForm({ page }: { page: MailTextPage }) {
  const router = useRouter();
  const ready = useReady();
  const { kind, language, sample } = page;
  const [text, setText] = useState(page.text);
  const [said, setSaid] = useState('');
  const subjectBox = useRef<HTMLInputElement>(null);
  const bodyBox = useRef<HTMLTextAreaElement>(null);
  const last = useRef<Box>('body');
  const problems = letterProblems(kind, text);
  const problemOf = (field: Box) => problems.filter((one) => one.field === field).map(saidOfLetter)[0];
  const change = (field: Box, value: string) => {
    setText((before) => ({ ...before, [field]: value }));
    setSaid('');
  };
  const putIn = (place: string) => {
    const field = BLOCKS.some((one) => one === place) ? 'body' : last.current;
    const box = field === 'subject' ? subjectBox.current : bodyBox.current;
    if (!box) return;
    const [from, to] = [box.selectionStart ?? box.value.length, box.selectionEnd ?? box.value.length];
    change(field, `${box.value.slice(0, from)}{${place}}${box.value.slice(to)}`);
    requestAnimationFrame(() => {
      box.focus();
      box.setSelectionRange(from + place.length + 2, from + place.length + 2);
    });
  };
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => keepMailTextAction({ kind, language, ...text }));
    setSaid(result.ok ? say({ code: 'mailsRoom.saved' }) : messageBeside(result));
    if (result.ok) router.refresh();
  };
  const drop = async () => {
    const result = await attempt(() => dropMailTextAction({ kind, language }));
    setSaid(result.ok ? say({ code: 'mailsRoom.dropped' }) : messageBeside(result));
    if (!result.ok) return;
    setText(page.usual);
    router.refresh();
  };
  const shown = letterOf(text, sample);
  const { must, may } = PLACES[kind];
  return (
    <form className="sheet mt-3" onSubmit={send} noValidate data-testid="mail-text">
      <div className="row">
        <div className="col-lg-7">
          <Field label={say({ code: 'mailsRoom.subject' })} problem={problemOf('subject')}>
            <Form.Control
              ref={subjectBox}
              value={text.subject}
              onFocus={() => (last.current = 'subject')}
              onChange={(event) => change('subject', event.target.value)}
            />
          </Field>
          <Field label={say({ code: 'mailsRoom.body' })} problem={problemOf('body')}>
            <Form.Control
              as="textarea"
              rows={16}
              ref={bodyBox}
              value={text.body}
              onFocus={() => (last.current = 'body')}
              onChange={(event) => change('body', event.target.value)}
            />
          </Field>
          <div className="quiet small mb-1">{say({ code: 'mailsRoom.places' })}</div>
          <div className="d-flex flex-wrap gap-2">
            {[...must, ...may].map((place) => (
              <Button
                key={place}
                size="sm"
                variant="plain"
                className="mono"
                title={must.includes(place) ? say({ code: 'mailsRoom.must' }) : undefined}
                onClick={() => putIn(place)}
              >
                {`{${place}}`}
                {must.includes(place) ? ' *' : ''}
              </Button>
            ))}
          </div>
          <div className="quiet small mt-1">* {say({ code: 'mailsRoom.must' })}</div>
        </div>
        <div className="col-lg-5">
          <div className="quiet small mb-1">{say({ code: 'mailsRoom.preview' })}</div>
          <div className="sheet" lang={language} data-testid="preview">
            <strong>{shown.subject}</strong>
            <pre className="mb-0 mt-2 letter-text">{shown.body}</pre>
          </div>
        </div>
      </div>
      <div className="d-flex flex-wrap gap-3 align-items-center mt-3">
        <Button type="submit" disabled={!ready || problems.length > 0}>
          {say({ code: 'mailsRoom.save' })}
        </Button>
        {page.own && (
          <Button variant="plain" onClick={drop}>
            {say({ code: 'mailsRoom.usual' })}
          </Button>
        )}
        <span role="status">{said}</span>
      </div>
    </form>
  );
}
