'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { endSessionAction } from './actions';
import '@/core/words/en/account';

interface Line {
  id: string;
  browser: string;
  said: string;
  here: boolean;
  locked: boolean;
}

/** Where somebody is signed in; each place can be ended from here. */
export function SessionsPanel({ sessions }: { sessions: Line[] }) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const end = async (id: string) => {
    const result = await attempt(() => endSessionAction({ id }));
    setMessage(result.ok ? '' : result.message);
    router.refresh();
  };
  return (
    <section className="sheet mt-3" aria-label={say({ code: 'account.sessions' })}>
      <h2>{say({ code: 'account.sessions' })}</h2>
      <ul className="list-unstyled mb-0">
        {sessions.map((one) => (
          <li key={one.id} className="d-flex flex-wrap gap-3 align-items-baseline py-1">
            <span className="text-truncate" style={{ maxWidth: '28rem' }} title={one.browser}>
              {one.browser || '?'}
            </span>
            <span className="quiet small flex-grow-1">
              {one.said}
              {one.locked && `, ${say({ code: 'account.lockedMark' })}`}
            </span>
            {one.here ? (
              <strong>{say({ code: 'account.here' })}</strong>
            ) : (
              <Button variant="plain" size="sm" onClick={() => void end(one.id)}>
                {say({ code: 'account.end' })}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
    </section>
  );
}
