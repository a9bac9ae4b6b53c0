'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { attempt } from '@/platform/client/result';
import { returnTicketAction } from './actions';

export function ReturnButton({ ticketId }: { ticketId: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const give = async () => {
    const result = await attempt(() => returnTicketAction({ ticketId }));
    if (result.ok) router.refresh();
    else setProblem(result.message);
  };
  return (
    <>
      <Button variant="plain" size="sm" onClick={give}>
        Hand back
      </Button>
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </>
  );
}
