'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { declareCleanAction } from './actions';
import '@/core/words/en/paper';

/** What came in contaminated waits for its declaration: here it comes. */
export function DeclarationForm({ ticketId }: { ticketId: string }) {
  const router = useRouter();
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState('');
  return (
    <form
      className="notice bad no-print mb-3"
      onSubmit={async (event) => {
        event.preventDefault();
        const result = await attempt(() => declareCleanAction({ ticketId, note }));
        if (result.ok) router.refresh();
        else setProblem(result.fields.note ?? result.message);
      }}
    >
      <p className="mb-2">{say({ code: 'refused.contaminated' })}</p>
      <div className="d-flex gap-2" style={{ maxWidth: '36rem' }}>
        <input
          className="form-control"
          aria-label={say({ code: 'inspection.declaration' })}
          placeholder={say({ code: 'inspection.declaration' })}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button type="submit">{say({ code: 'inspection.declare' })}</Button>
      </div>
      {problem && (
        <div className="field-problem" role="alert">
          {problem}
        </div>
      )}
    </form>
  );
}
