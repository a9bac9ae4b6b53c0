'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { NoticeDraft } from '@/core/certificate/notice';
import { attempt } from '@/platform/client/result';
import { say } from '@/core/words/say';
import { approveAction, sendBackAction } from './actions';
import { PasswordToSign } from './password-to-sign';
import '@/core/words/en/sign';

/** Approve, or send back with a note. */
export function ApprovalDecision({
  runId,
  sameHand,
  notice,
  annexes: usual,
}: {
  runId: string;
  sameHand: boolean;
  notice: (NoticeDraft & { recipient: string }) | null;
  annexes: { budgets: boolean; traces: boolean };
}) {
  const [annexes, setAnnexes] = useState(usual);
  const [told, setTold] = useState(notice?.body ?? '');
  const [release, setRelease] = useState(true);
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [back, setBack] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const [password, setPassword] = useState('');
  const approve = async (event: React.FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const result = await attempt(() =>
      approveAction({ runId, password, annexes, ...(notice && release ? { notice: told } : {}) }),
    );
    if (result.ok) return router.push(`/certificates/${result.value.id}`);
    setProblem(result.fields.password ?? result.message);
    setPassword('');
    setBusy(false);
  };
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const result = await attempt(() => sendBackAction({ runId, note: back ?? '' }));
    if (result.ok) {
      router.push('/approve');
      router.refresh();
      return;
    }
    setProblem(result.fields.note ?? result.message);
    setBusy(false);
  };
  return (
    <div className="sheet mt-3">
      {sameHand && (
        <p className="notice">
          You did this work yourself. The workshop’s setting for one person lets you approve it; the certificate will say so.
        </p>
      )}
      {notice && (
        <div className="mb-3" data-testid="customer-notice">
          <h2>Notice to the customer</h2>
          <p className="quiet mb-1">
            Found out of tolerance: readings since the last good calibration are in doubt. Drafted from this run; put it right
            before it goes to {notice.recipient || 'the customer (no mail address on record: print it)'}.
          </p>
          <Form.Control
            as="textarea"
            rows={11}
            aria-label="Notice to the customer"
            value={told}
            disabled={!release}
            onChange={(event) => setTold(event.target.value)}
          />
          <Form.Check
            className="mt-1"
            id="release-notice"
            label="Release it with the certificate"
            checked={release}
            onChange={(event) => setRelease(event.target.checked)}
          />
        </div>
      )}
      <div className="d-flex flex-wrap gap-4 mb-2">
        <Form.Check
          id="annex-budgets"
          label="Annex: uncertainty budgets"
          checked={annexes.budgets}
          onChange={(event) => setAnnexes({ ...annexes, budgets: event.target.checked })}
        />
        <Form.Check
          id="annex-traces"
          label="Annex: traces"
          checked={annexes.traces}
          onChange={(event) => setAnnexes({ ...annexes, traces: event.target.checked })}
        />
      </div>
      <p className="quiet mb-1">{say({ code: 'sign.approve' })}</p>
      <div className="d-flex flex-wrap gap-2 align-items-start">
        <form className="d-flex gap-2" onSubmit={approve}>
          <PasswordToSign value={password} onChange={setPassword} />
          <Button size="lg" type="submit" disabled={busy}>
            {busy ? 'One moment …' : 'Approve and issue the certificate'}
          </Button>
        </form>
        {back === null ? (
          <Button size="lg" variant="plain" onClick={() => setBack('')}>
            Send back
          </Button>
        ) : (
          <form className="d-flex gap-2 flex-grow-1" onSubmit={send}>
            <Form.Control
              autoFocus
              aria-label="What the technician should look at"
              placeholder="What should the technician look at?"
              value={back}
              onChange={(event) => setBack(event.target.value)}
            />
            <Button type="submit" variant="outline-danger" disabled={busy}>
              Send back
            </Button>
          </form>
        )}
      </div>
      {problem && (
        <p className="field-problem mb-0" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
