'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside, saidOfWhy } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { WhyForm } from '@/ui/why-form';
import { cancelReceiptAction, correctReceiptAction, splitReceiptAction } from './actions';
import '@/core/words/en/receipts';

interface Said {
  contact: string;
  note: string;
}
interface Props {
  receiptId: string;
  said: Said;
  tickets: { id: string; code: string; name: string }[];
  over: boolean;
}

/** What may be changed of a receipt: what was noted, which instruments stand on it, and whether it holds at all. */
export function ReceiptPanel({ receiptId, said, tickets, over }: Props) {
  return (
    <div className="no-print mb-3">
      <Correct receiptId={receiptId} said={said} />
      {tickets.length > 1 && <Split receiptId={receiptId} tickets={tickets} />}
      {!over && (
        <WhyForm
          danger
          testId="cancel-receipt"
          title={say({ code: 'receipt.cancel' })}
          how={say({ code: 'receipt.cancelHow' })}
          label={say({ code: 'receipt.why' })}
          example={say({ code: 'receipt.whyExample' })}
          act={async (why) => saidOfWhy(await attempt(() => cancelReceiptAction({ receiptId, why })))}
        />
      )}
    </div>
  );
}

function Correct({ receiptId, said }: { receiptId: string; said: Said }) {
  const router = useRouter();
  const [given, setGiven] = useState(said);
  // What was on record when it was opened; after a refusal, what the page has fetched since.
  const [seen, setSeen] = useState<Said | null>(said);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => correctReceiptAction({ receiptId, ...given, seen: seen ?? said }));
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? '' : messageBeside(result));
    // Whoever was told what is on record now chooses with the next press.
    if (!result.ok && result.code !== 'changedMeanwhile') return;
    setSeen(result.ok ? given : null);
    router.refresh();
  };
  return (
    <details data-testid="correct-receipt">
      <summary>{say({ code: 'receipt.correct' })}</summary>
      <form onSubmit={send} noValidate className="mt-2">
        <p className="quiet small mb-1">{say({ code: 'receipt.correctHow' })}</p>
        <div className="row">
          {(['contact', 'note'] as const).map((name) => (
            <div key={name} className={name === 'note' ? 'col-md-8' : 'col-md-4'}>
              <Field label={say({ code: name === 'note' ? 'receipt.note' : 'receipt.bringer' })} problem={problems[name]}>
                <Form.Control value={given[name]} onChange={(event) => setGiven({ ...given, [name]: event.target.value })} />
              </Field>
            </div>
          ))}
        </div>
        {message && (
          <p className="field-problem" role="alert">
            {message}
          </p>
        )}
        <Button type="submit" variant="plain">
          {say({ code: 'receipt.save' })}
        </Button>
      </form>
    </details>
  );
}

function Split({ receiptId, tickets }: { receiptId: string; tickets: Props['tickets'] }) {
  const router = useRouter();
  const [chosen, setChosen] = useState<string[]>([]);
  const [contact, setContact] = useState('');
  const [problem, setProblem] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (chosen.length === 0) return setProblem(say({ code: 'receipt.splitSome' }));
    const result = await attempt(() => splitReceiptAction({ receiptId, contact, ticketIds: chosen }));
    if (result.ok) router.push(`/receipts/${result.value.id}`);
    else setProblem(Object.values(result.fields)[0] ?? result.message);
  };
  const toggle = (id: string, on: boolean) => setChosen(on ? [...chosen, id] : chosen.filter((one) => one !== id));
  return (
    <details className="mt-3" data-testid="split-receipt">
      <summary>{say({ code: 'receipt.split' })}</summary>
      <form onSubmit={send} noValidate className="mt-2">
        <p className="quiet small mb-1">{say({ code: 'receipt.splitHow' })}</p>
        {tickets.map((one) => (
          <Form.Check
            key={one.id}
            id={`split-${one.id}`}
            label={`${one.code}  ${one.name}`}
            checked={chosen.includes(one.id)}
            onChange={(event) => toggle(one.id, event.target.checked)}
          />
        ))}
        <div style={{ maxWidth: '24rem' }} className="mt-2">
          <Field label={say({ code: 'receipt.bringer' })}>
            <Form.Control value={contact} onChange={(event) => setContact(event.target.value)} />
          </Field>
        </div>
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        <Button type="submit" variant="plain">
          {say({ code: 'receipt.splitDo' })}
        </Button>
      </form>
    </details>
  );
}
