'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { attempt } from '@/platform/client/result';
import { reviseAction } from './actions';

/** A certificate never changes: a mistake is mended by a revision that says why. */
export function ReviseForm({ certificateId }: { certificateId: string }) {
  const router = useRouter();
  const [reason, setReason] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => reviseAction({ certificateId, reason: reason ?? '' }));
    if (result.ok) router.push(`/certificates/${result.value.id}`);
    else setProblem(result.fields.reason ?? result.message);
  };
  if (reason === null)
    return (
      <button type="button" className="btn btn-link p-0 mt-3" onClick={() => setReason('')}>
        Issue a revision
      </button>
    );
  return (
    <form className="sheet mt-3" onSubmit={send}>
      <p className="mb-2">
        The revision takes customer, serial and tag as they are on record now; measured values never change. Both documents stay.
      </p>
      <div className="d-flex gap-2">
        <Form.Control
          autoFocus
          aria-label="Reason of the revision"
          placeholder="Why is it revised?"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button type="submit" variant="plain">
          Issue revision
        </Button>
      </div>
      {problem && (
        <p className="field-problem mb-0" role="alert">
          {problem}
        </p>
      )}
    </form>
  );
}
