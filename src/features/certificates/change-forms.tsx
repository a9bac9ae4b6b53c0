'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { attempt } from '@/platform/client/result';
import { say } from '@/core/words/say';
import { PasswordToSign } from './password-to-sign';
import { reopenAction, reviseAction, withdrawAction } from './actions';
import '@/core/words/en/sign';

const WAYS = {
  revise: {
    open: 'Issue a revision',
    field: 'Reason of the revision',
    ask: 'Why is it revised?',
    send: 'Issue revision',
    says: 'The revision takes customer, item and due date as they are on record now; measured values stay. Both documents stay.',
  },
  reopen: {
    open: 'Reopen the run',
    field: 'What is wrong with the values',
    ask: 'Which value or reference was wrong?',
    send: 'Reopen',
    says: 'A wrong value or reference: the run opens again, the entry is corrected with its reason, and approving it issues a revision that names what changed. The customer is told.',
  },
  withdraw: {
    open: 'Withdraw it',
    field: 'Reason of the withdrawal',
    ask: 'Why is it withdrawn?',
    send: 'Withdraw',
    says: 'A document of its own takes this one back. The check page says so, the customer is told, and the instrument is due at once.',
  },
} as const;
type Way = keyof typeof WAYS;

/** A document never changes: it is revised, its run is reopened, or it is withdrawn; each says why. */
export function ChangeForms({ certificateId, first }: { certificateId: string; first: boolean }) {
  const router = useRouter();
  const [way, setWay] = useState<Way | null>(null);
  const [reason, setReason] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const failed = (result: { message: string; fields: Record<string, string> }) =>
      setProblem(result.fields.reason ?? result.fields.password ?? result.message);
    if (way === 'reopen') {
      const result = await attempt(() => reopenAction({ certificateId, reason }));
      return result.ok ? router.push(`/runs/${result.value.run}`) : failed(result);
    }
    const result = await attempt(() => (way === 'withdraw' ? withdrawAction : reviseAction)({ certificateId, reason, password }));
    return result.ok ? router.push(`/certificates/${result.value.id}`) : failed(result);
  };
  if (way === null)
    return (
      <div className="d-flex gap-4 mt-3">
        {(Object.keys(WAYS) as Way[])
          .filter((one) => one !== 'withdraw' || !first)
          .map((one) => (
            <button key={one} type="button" className="btn btn-link p-0" onClick={() => setWay(one)}>
              {WAYS[one].open}
            </button>
          ))}
      </div>
    );
  return (
    <form className="sheet mt-3" onSubmit={send}>
      <p className="mb-2">
        {WAYS[way].says} {way !== 'reopen' && <span className="quiet">{say({ code: `sign.${way}` })}</span>}
      </p>
      <div className="d-flex flex-wrap gap-2">
        <Form.Control
          autoFocus
          aria-label={WAYS[way].field}
          placeholder={WAYS[way].ask}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          style={{ flex: '1 1 18rem' }}
        />
        {way !== 'reopen' && <PasswordToSign value={password} onChange={setPassword} />}
        <Button type="submit" variant="plain">
          {WAYS[way].send}
        </Button>
        <Button variant="link" onClick={() => setWay(null)}>
          Leave it
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
