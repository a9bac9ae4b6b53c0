'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { DecideOption } from '@/core/procedure/procedure';
import type { PlannedStep } from '@/core/run/plan-node';
import { say } from '@/core/words/say';
import { ReasonForm } from '@/ui/reason-form';
import { useKeys } from '@/ui/use-keys';
import type { LiveRun } from '../use-run';
import { reasonsFor } from './reasons';
import '@/core/words/en/why';

/** A decision: each answer with its letter; one that needs a word of why asks for it before it is taken. */
export function DecideStep({ run, present, options }: { run: LiveRun; present: PlannedStep; options: DecideOption[] }) {
  const [asking, setAsking] = useState<DecideOption | null>(null);
  const send = (option: DecideOption, note?: string) =>
    run.send({ type: 'decide', step: present.key, option: option.id, ...(note ? { note } : {}) });
  const choose = (option: DecideOption) => (option.needsNote ? setAsking(option) : void send(option));
  useKeys(Object.fromEntries(options.map((option, index) => [LETTERS[index]!, () => choose(option)])));
  return (
    <div data-testid="decide">
      <div className="d-flex flex-wrap gap-2">
        {options.map((option, index) => (
          <Button
            key={option.id}
            variant="plain"
            size="lg"
            active={asking?.id === option.id}
            disabled={run.busy}
            onClick={() => choose(option)}
          >
            {option.label} <kbd>{LETTERS[index]!.toUpperCase()}</kbd>
          </Button>
        ))}
      </div>
      {asking && (
        <ReasonForm
          label={say({ code: asking.id === 'remark' ? 'why.stands' : 'why.mended' })}
          reasons={reasonsFor(asking.id === 'remark' ? 'stands' : 'mended')}
          act={asking.label}
          busy={run.busy}
          problem={run.refusal?.field === 'note' ? run.refusal.sentence : undefined}
          onSend={(note) => void send(asking, note)}
          onStay={() => setAsking(null)}
        />
      )}
    </div>
  );
}
/** Letters that nothing else on the sheet answers to. */
const LETTERS = ['q', 'w', 'e', 'r', 't', 'u'];
