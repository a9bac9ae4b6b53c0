'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { retireAssetAction, takeBackAssetAction } from './actions';

/** Sold, scrapped, lost; or back again. Folded until somebody wants it. */
export function RetireForm({ assetId, retired }: { assetId: string; retired: boolean }) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState('');
  const word = retired ? 'retire.back' : 'retire.act';
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => (retired ? takeBackAssetAction({ assetId, why }) : retireAssetAction({ assetId, why })));
    setProblem(result.ok ? '' : (result.fields.why ?? result.message));
    if (!result.ok) return;
    setWhy('');
    router.refresh();
  };
  return (
    <details className="mt-3" data-testid="retire">
      <summary>{say({ code: word })}</summary>
      <form className="d-flex flex-wrap gap-2 align-items-center mt-2" onSubmit={send}>
        <Form.Control
          style={{ width: '24rem' }}
          aria-label={say({ code: 'retire.why' })}
          placeholder={say({ code: 'retire.example' })}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button type="submit" variant="plain">
          {say({ code: word })}
        </Button>
        {problem && (
          <div className="field-problem w-100" role="alert">
            {problem}
          </div>
        )}
      </form>
    </details>
  );
}
