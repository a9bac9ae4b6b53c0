'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { notePositionAction } from './actions';
import { EMPTY_POSITION, PositionRow } from './position-row';
import type { Price } from './server/prices';
import '@/core/words/en/money';

/** One more line of the job. */
export function PositionForm({ ticketId, prices, currency }: { ticketId: string; prices: readonly Price[]; currency: string }) {
  const router = useRouter();
  const [position, setPosition] = useState(EMPTY_POSITION);
  const [problem, setProblem] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => notePositionAction({ ticketId, position }));
    setProblem(result.ok ? '' : (Object.values(result.fields)[0] ?? result.message));
    if (!result.ok) return;
    setPosition(EMPTY_POSITION);
    router.refresh();
  };
  return (
    <details className="w-100" data-testid="position-form">
      <summary>{say({ code: 'money.addPosition' })}</summary>
      <form className="mt-2" onSubmit={send} noValidate>
        <PositionRow
          position={position}
          prices={prices}
          currency={currency}
          number={1}
          problem={problem}
          onChange={setPosition}
        />
        <Button type="submit" variant="plain">
          {say({ code: 'money.note' })}
        </Button>
      </form>
    </details>
  );
}
