'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { decideRecallAction } from './actions';
import '@/core/words/en/recall';

const DECISIONS = ['withdraw', 'tell', 'keep'] as const;
type Decision = (typeof DECISIONS)[number];

/** What becomes of one document; kept as it is chosen. */
export function DecisionChoice({ id, runId, decision }: { id: string; runId: string; decision: Decision }) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const choose = async (next: Decision) => {
    const result = await attempt(() => decideRecallAction({ id, runId, decision: next }));
    setProblem(result.ok ? '' : result.message);
    router.refresh();
  };
  return (
    <>
      <Form.Select
        aria-label={say({ code: 'recall.decision' })}
        value={decision}
        onChange={(event) => choose(DECISIONS.find((one) => one === event.target.value) ?? decision)}
      >
        {DECISIONS.map((one) => (
          <option key={one} value={one}>
            {say({ code: `recall.decision.${one}` })}
          </option>
        ))}
      </Form.Select>
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </>
  );
}
