'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { attempt, type Attempted } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { changeLoanAction, takeLoanBackAction } from './actions';
import '@/core/words/en/stock';

/** While it is with the customer: another day, or it is back. */
export function LoanActs({ loanId, on }: { loanId: string; on: { dueBack: string; contact: string; note: string } }) {
  const router = useRouter();
  const [given, setGiven] = useState(on);
  const [fault, setFault] = useState('');
  const [problems, setProblems] = useState<Record<string, string>>({});
  const send = (call: () => Promise<Parameters<typeof done>[0]>) => async (event: React.FormEvent) => {
    event.preventDefault();
    done(await call());
  };
  const done = (result: Attempted) => {
    setProblems(result.ok ? {} : { dueBack: Object.keys(result.fields).length ? '' : result.message, ...result.fields });
    if (result.ok) router.refresh();
  };
  return (
    <div className="no-print mb-3">
      <form
        className="d-flex flex-wrap gap-3 align-items-start"
        noValidate
        data-testid="change-loan"
        onSubmit={send(() => attempt(() => changeLoanAction({ loanId, ...given })))}
      >
        <Field label={say({ code: 'loan.until' })} problem={problems.dueBack ?? problems.assetId}>
          <DayInput value={given.dueBack} onChange={(value) => setGiven({ ...given, dueBack: value })} />
        </Field>
        {(['contact', 'note'] as const).map((name) => (
          <Field key={name} label={say({ code: `loan.${name}` })} problem={problems[name]}>
            <FormControl value={given[name]} onChange={(event) => setGiven({ ...given, [name]: event.target.value })} />
          </Field>
        ))}
        <Button type="submit" variant="plain" className="mt-4">
          {say({ code: 'loan.save' })}
        </Button>
      </form>
      <form
        className="d-flex flex-wrap gap-3 align-items-start mt-2"
        noValidate
        data-testid="loan-back"
        onSubmit={send(() => attempt(() => takeLoanBackAction({ loanId, fault })))}
      >
        <div style={{ width: '26rem' }}>
          <Field label={say({ code: 'loan.fault' })} help={say({ code: 'loan.backHow' })} problem={problems.fault}>
            <FormControl value={fault} onChange={(event) => setFault(event.target.value)} />
          </Field>
        </div>
        <Button type="submit" className="mt-4">
          {say({ code: 'loan.back' })}
        </Button>
      </form>
    </div>
  );
}
