'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { DayInput } from '@/ui/day-input';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { day } from '@/ui/format';
import { keepUseAction } from './actions';
import type { UseRow } from './server/uses';
import '@/core/words/en/due';

/** What an instrument's own counter showed, where its interval counts uses. */
export function UsesPanel({ assetId, uses, today }: { assetId: string; uses: UseRow[]; today: string }) {
  const router = useRouter();
  const [readOn, setReadOn] = useState(today);
  const [count, setCount] = useState('');
  const [said, setSaid] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => keepUseAction({ assetId, readOn, count: count.trim() || null }));
    setSaid(
      result.ok
        ? say({ code: 'uses.kept', numbers: { moved: result.value.moved ? 'yes' : 'no' } })
        : (result.fields.count ?? result.fields.readOn ?? result.message),
    );
    if (!result.ok) return;
    setCount('');
    router.refresh();
  };
  return (
    <form className="sheet mt-3" onSubmit={send} data-testid="uses">
      <h2>{say({ code: 'uses.title' })}</h2>
      <p className="mono mb-2">{uses.map((one) => `${day(one.readOn)}: ${one.count}`).join(' · ') || '—'}</p>
      <div className="d-flex flex-wrap gap-2 align-items-end">
        <Form.Group controlId="uses-on">
          <Form.Label>{say({ code: 'uses.on' })}</Form.Label>
          <DayInput value={readOn} onChange={(value) => setReadOn(value)} />
        </Form.Group>
        <Form.Group controlId="uses-count">
          <Form.Label>{say({ code: 'uses.count' })}</Form.Label>
          <Form.Control
            className="mono"
            style={{ width: '8rem' }}
            inputMode="numeric"
            value={count}
            onChange={(event) => setCount(event.target.value)}
          />
        </Form.Group>
        <Button type="submit" variant="plain">
          {say({ code: 'uses.keep' })}
        </Button>
        <span role="status" className="small">
          {said}
        </span>
      </div>
      <p className="quiet small mb-0 mt-2">{say({ code: 'uses.hint' })}</p>
    </form>
  );
}
