'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { day, dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { setForLoanAction } from './actions';
import type { loansOf } from './server/loans';
import '@/core/words/en/stock';

interface Props {
  assetId: string;
  forLoan: boolean;
  loans: Awaited<ReturnType<typeof loansOf>>;
  zone: string;
  mayKeep: boolean;
}

/** Whether an instrument is lent to customers, and whom it was with. */
export function LoanPanel({ assetId, forLoan, loans, zone, mayKeep }: Props) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const set = async () => {
    const result = await attempt(() => setForLoanAction({ assetId, forLoan: !forLoan }));
    setProblem(result.ok ? '' : result.message);
    if (result.ok) router.refresh();
  };
  return (
    <details className="mt-3" data-testid="loans" open={forLoan}>
      <summary>{say({ code: 'loan.history' })}</summary>
      {forLoan && (
        <p className="mb-2">
          {say({ code: 'loan.is' })} <Link href="/stock">{say({ code: 'stock.title' })}</Link>
        </p>
      )}
      <ul className="list-unstyled mb-2">
        {loans.map(({ loan, customer }) => (
          <li key={loan.id}>
            <Link href={`/stock/loans/${loan.id}`}>
              {loan.backAt
                ? say({
                    code: 'loan.was',
                    numbers: { customer, from: dayTime(loan.lentAt, zone), to: dayTime(loan.backAt, zone) },
                  })
                : say({ code: 'loan.out', numbers: { customer, until: day(loan.dueBack) } })}
            </Link>
            {loan.fault && <span className="quiet"> · {say({ code: 'loan.hadFault', numbers: { fault: loan.fault } })}</span>}
          </li>
        ))}
      </ul>
      {mayKeep && (
        <Button variant="plain" onClick={set}>
          {say({ code: forLoan ? 'loan.stop' : 'loan.make' })}
        </Button>
      )}
      {problem && (
        <span className="field-problem ms-3" role="alert">
          {problem}
        </span>
      )}
    </details>
  );
}
