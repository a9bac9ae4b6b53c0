'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { PolicyScope } from '@/core/interval/policy';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { changePolicyAction } from './actions';
import '@/core/words/en/due';

/** Sets the interval of an instrument, of this customer's model, of the customer, or of the model. Empty takes it away. */
export function PolicyForm({ assetId, customerId, modelId }: { assetId: string; customerId: string; modelId: string }) {
  const router = useRouter();
  const [scope, setScope] = useState<PolicyScope>('asset');
  const [count, setCount] = useState('');
  const [uses, setUses] = useState('');
  const [unit, setUnit] = useState<'days' | 'months'>('months');
  const [says, setSays] = useState('');
  const send = async (taken: boolean) => {
    const result = await attempt(() =>
      changePolicyAction({
        scope,
        assetId,
        customerId,
        modelId,
        count: taken ? null : count,
        uses: taken ? null : uses.trim() || null,
        unit,
      }),
    );
    setSays(
      result.ok
        ? `Set; ${result.value.moved} due date${result.value.moved === 1 ? '' : 's'} moved.`
        : (result.fields.count ?? result.message),
    );
    if (result.ok) router.refresh();
  };
  return (
    <form
      className="d-flex flex-wrap gap-2 align-items-center mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void send(false);
      }}
    >
      <Form.Select
        style={{ width: '13rem' }}
        aria-label="For what"
        value={scope}
        onChange={(event) => setScope(event.target.value as PolicyScope)}
      >
        <option value="asset">this instrument</option>
        <option value="customerModel">customer and model</option>
        <option value="customer">the customer</option>
        <option value="model">the model</option>
      </Form.Select>
      every{' '}
      <Form.Control
        style={{ width: '4.5rem' }}
        aria-label="Count"
        value={count}
        onChange={(event) => setCount(event.target.value)}
        inputMode="numeric"
      />
      <Form.Select
        style={{ width: '7.5rem' }}
        aria-label="Unit"
        value={unit}
        onChange={(event) => setUnit(event.target.value as 'days')}
      >
        <option>months</option>
        <option>days</option>
      </Form.Select>
      <label className="d-flex align-items-center gap-2">
        {say({ code: 'policy.uses' })}
        <Form.Control
          style={{ width: '5.5rem' }}
          value={uses}
          onChange={(event) => setUses(event.target.value)}
          inputMode="numeric"
        />
      </label>
      <Button type="submit" variant="plain" disabled={!count.trim()}>
        Set
      </Button>
      <Button variant="link" size="sm" onClick={() => send(true)}>
        Take this one away
      </Button>
      <span role="status" className="small">
        {says}
      </span>
    </form>
  );
}
