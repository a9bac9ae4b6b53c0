'use client';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { useSent } from '@/platform/client/use-sent';
import { useReady } from '@/ui/use-ready';
import { retryJobsAction } from './actions';
import '@/core/words/en/jobs';

/** Tries again what was given up. */
export function RetryButton({ task }: { task: string }) {
  const ready = useReady();
  const { message, send } = useSent();
  return (
    <>
      <Button size="sm" variant="plain" disabled={!ready} onClick={() => send(() => retryJobsAction({ task }))}>
        {say({ code: 'jobs.retry' })}
      </Button>
      {message && <div className="field-problem small">{message}</div>}
    </>
  );
}
