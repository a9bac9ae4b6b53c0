'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { useReady } from '@/ui/use-ready';
import { retryJobsAction } from './actions';
import '@/core/words/en/jobs';

/** Tries again what was given up. */
export function RetryButton({ task }: { task: string }) {
  const router = useRouter();
  const ready = useReady();
  const [said, setSaid] = useState('');
  const press = async () => {
    const result = await attempt(() => retryJobsAction({ task }));
    setSaid(result.ok ? '' : messageBeside(result));
    if (result.ok) router.refresh();
  };
  return (
    <>
      <Button size="sm" variant="plain" disabled={!ready} onClick={press}>
        {say({ code: 'jobs.retry' })}
      </Button>
      {said && <div className="field-problem small">{said}</div>}
    </>
  );
}
