'use client';
import { useCallback, useEffect, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { WhyForm } from '@/ui/why-form';
import {
  customersLikeAction,
  mergeCustomersAction,
  retireCustomerAction,
  takeBackCustomerAction,
  undoMergeAction,
} from './actions';
import '@/core/words/en/customers';

/** A customer's end, and the way back. */
export function EndPanel({ customerId, retired }: { customerId: string; retired: boolean }) {
  const act = retired ? takeBackCustomerAction : retireCustomerAction;
  return (
    <WhyForm
      testId="end-customer"
      title={say({ code: retired ? 'customer.back' : 'customer.retire' })}
      how={retired ? undefined : say({ code: 'customer.retireHow' })}
      label={say({ code: 'customer.retireWhy' })}
      act={async (why) => saidOfWhy(await attempt(() => act({ customerId, why })))}
    />
  );
}

/** The other of two that are one: found by its name, merged into this one. */
export function MergePanel({ customerId }: { customerId: string }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [hits, setHits] = useState<{ id: string; name: string }[]>([]);
  const [problem, setProblem] = useState('');
  const look = useCallback(async () => {
    const result = await attempt(() => customersLikeAction({ text, except: customerId }));
    if (result.ok) setHits(result.value);
  }, [text, customerId]);
  useEffect(() => {
    const timer = window.setTimeout(() => void look(), 250);
    return () => window.clearTimeout(timer);
  }, [look]);
  const merge = async (gone: string) => {
    const result = await attempt(() => mergeCustomersAction({ stays: customerId, gone, why: '' }));
    setProblem(result.ok ? '' : result.message);
    if (!result.ok) return;
    setText('');
    router.refresh();
  };
  return (
    <details className="mt-3" data-testid="merge">
      <summary>{say({ code: 'merge.title' })}</summary>
      <p className="quiet small mb-1">{say({ code: 'merge.how' })}</p>
      <Field label={say({ code: 'merge.find' })} problem={problem}>
        <Form.Control
          style={{ maxWidth: '24rem' }}
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </Field>
      <div className="d-flex flex-wrap gap-2">
        {hits.map(({ id, name }) => (
          <Button key={id} variant="outline-danger" size="sm" onClick={() => void merge(id)}>
            {say({ code: 'merge.act', numbers: { gone: name } })}
          </Button>
        ))}
      </div>
    </details>
  );
}

/** A merging of the last day can be undone. */
export function UndoMerge({ mergeId }: { mergeId: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const undo = async () => {
    const result = await attempt(() => undoMergeAction({ mergeId }));
    setProblem(result.ok ? '' : result.message);
    if (result.ok) router.refresh();
  };
  return (
    <>
      <Button variant="plain" size="sm" onClick={() => void undo()}>
        {say({ code: 'merge.undo' })}
      </Button>
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </>
  );
}
