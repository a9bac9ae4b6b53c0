'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { Link } from '@/ui/link';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { StatusId } from '@/core/results/instrument-status';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { StatusMark } from '@/ui/status-mark';
import { returnToUseAction } from './actions';
import '@/core/words/en/paper';
import '@/core/words/en/status';

export interface Standing {
  assetId: string;
  status: StatusId;
  since: string;
  why: string;
  by: string;
  /** The document that brings it back, or what such a document has to show. */
  document: { id: string; number: string; on: string } | null;
  open: string;
}

/** Why an instrument is not in use, and the act that brings it back. */
export function StatusPanel({ standing, mayReturn }: { standing: Standing; mayReturn: boolean }) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState('');
  const { document } = standing;
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (!document) return;
    const result = await attempt(() => returnToUseAction({ assetId: standing.assetId, certificateId: document.id, why }));
    if (result.ok) router.refresh();
    else setProblem(result.fields.why ?? result.message);
  };
  return (
    <section className="sheet mb-3" aria-label={say({ code: `status.${standing.status}` })} data-testid="status-panel">
      <div className="d-flex flex-wrap gap-3 align-items-center">
        <StatusMark status={standing.status} />
        <span>{standing.why}</span>
        <span className="quiet">{say({ code: 'status.since', numbers: { at: standing.since, by: standing.by } })}</span>
        <Link className="btn btn-plain btn-sm ms-auto" href={`/assets/${standing.assetId}/tag`}>
          {say({ code: 'label.toTag' })}
        </Link>
      </div>
      {standing.status !== 'retired' && <p className="quiet mt-2 mb-0">{say({ code: 'return.why' })}</p>}
      {standing.status === 'retired' ? null : !document ? (
        <p className="mb-0">{say({ code: 'return.none', numbers: { since: standing.since, open: standing.open } })}</p>
      ) : mayReturn ? (
        <form className="d-flex flex-wrap gap-2 align-items-center mt-2" onSubmit={send}>
          <span>{say({ code: 'return.resting', numbers: { number: document.number, on: document.on } })}</span>
          <Form.Control
            style={{ width: '20rem' }}
            aria-label="Why it goes back into use"
            placeholder="Why: what was repaired, what was shown"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
          <Button type="submit">{say({ code: 'return.act' })}</Button>
          {problem && (
            <div className="field-problem w-100" role="alert">
              {problem}
            </div>
          )}
        </form>
      ) : (
        <p className="mb-0">{say({ code: 'return.resting', numbers: { number: document.number, on: document.on } })}</p>
      )}
    </section>
  );
}
