'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import type { WatchNeeded } from '@/platform/works-watched';
import { useSent } from '@/platform/client/use-sent';
import { dayTime } from '@/ui/format';
import { watchRunAction } from './actions';
import '@/core/words/en/competence';

/** On the bench and before the signatory: this is work under somebody's eyes, who may watch it, and who did. */
export function WatchBar({ watch, run, me, zone }: { watch: WatchNeeded; run: string; me: string; zone: string }) {
  const [note, setNote] = useState('');
  const { message, send } = useSent();
  const router = useRouter();
  const { person, watchers, watched } = watch;
  if (watched)
    return (
      <p className="notice my-2" data-testid="watched">
        {say({
          code: 'competence.watch.done',
          numbers: { by: watched.by, name: person.name, at: dayTime(watched.at, zone), note: watched.note },
        })}
      </p>
    );
  const mayWatch = me !== person.id && watchers.some((one) => one.id === me);
  return (
    <div className="notice bad my-2 d-flex flex-wrap gap-2 align-items-center" data-testid="watch-needed">
      <span>
        {say({ code: 'competence.watch.needed', numbers: { name: person.name } })}{' '}
        {watchers.length
          ? say({ code: 'competence.watch.who', numbers: { names: watchers.map((one) => one.name).join(', ') } })
          : say({ code: 'competence.watch.nobody' })}
      </span>
      {mayWatch && (
        <>
          <Form.Control
            style={{ width: '18rem' }}
            aria-label={say({ code: 'competence.watch.note' })}
            placeholder={say({ code: 'competence.watch.note' })}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button onClick={() => void send(() => watchRunAction({ run, note })).then((ok) => ok && router.refresh())}>
            {say({ code: 'competence.watch.do' })}
          </Button>
        </>
      )}
      {message && (
        <span className="field-problem" role="alert">
          {message}
        </span>
      )}
    </div>
  );
}
