'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { DayOf } from '@/ui/zone';
import { endScopeAction } from './actions';
import { ScopeForm } from './scope-form';
import type { ScopeLine, ScopeQuantity } from './scope-line';
import '@/core/words/en/budgets-room';

/** The scope that the workshop states: where it claims results, and with no smaller uncertainty than which. */
export function ScopePanel({ scope, quantities, maySet }: { scope: ScopeLine[]; quantities: ScopeQuantity[]; maySet: boolean }) {
  const router = useRouter();
  const [replaces, setReplaces] = useState<ScopeLine | null>(null);
  const [ending, setEnding] = useState<{ id: number; reason: string } | null>(null);
  const [fields, setFields] = useState<Record<string, string>>({});
  const end = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => endScopeAction(ending!));
    setFields(result.ok ? {} : { reason: result.fields.reason ?? result.message });
    if (!result.ok) return;
    setEnding(null);
    router.refresh();
  };
  return (
    <div className="sheet mt-3">
      <h2>{say({ code: 'budgets.scope' })}</h2>
      <p className="quiet small">{say({ code: 'budgets.scopeExplain' })}</p>
      {scope.length === 0 && <p className="quiet">{say({ code: 'budgets.noScope' })}</p>}
      {scope.length > 0 && (
        <table className="table">
          <thead>
            <tr>
              <th>{say({ code: 'budgets.measurand' })}</th>
              <th className="text-end">{say({ code: 'budgets.range' })}</th>
              <th className="text-end">{say({ code: 'budgets.smallest' })}</th>
              <th>{say({ code: 'budgets.stated' })}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {scope.map((one) => (
              <tr key={one.id} data-testid={`scope-${one.measurand}`}>
                <td>{one.measurand}</td>
                <td className="mono text-end text-nowrap">
                  {one.lowest} – {one.highest} <span className="quiet">{one.unit}</span>
                </td>
                <td className="mono text-end text-nowrap">
                  {one.smallest}{' '}
                  <span className="quiet">{one.form === 'percent' ? say({ code: 'budgets.percent' }) : one.unit}</span>
                </td>
                <td>
                  <DayOf at={one.at} />, {one.by}
                </td>
                <td className="text-end text-nowrap">
                  {maySet && (
                    <>
                      <Button size="sm" variant="plain" onClick={() => setReplaces(one)}>
                        {say({ code: 'budgets.correct' })}
                      </Button>{' '}
                      <Button size="sm" variant="plain" onClick={() => setEnding({ id: one.id, reason: '' })}>
                        {say({ code: 'budgets.end' })}
                      </Button>
                    </>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {ending && (
        <form className="d-flex gap-2 mb-3" onSubmit={end}>
          <div className="flex-grow-1">
            <Form.Control
              autoFocus
              aria-label={say({ code: 'budgets.endWhy' })}
              placeholder={say({ code: 'budgets.endWhy' })}
              value={ending.reason}
              onChange={(event) => setEnding({ ...ending, reason: event.target.value })}
            />
            {fields.reason && (
              <span className="field-problem" role="alert">
                {fields.reason}
              </span>
            )}
          </div>
          <Button type="submit" variant="plain">
            {say({ code: 'budgets.end' })}
          </Button>
          <Button variant="plain" onClick={() => setEnding(null)}>
            {say({ code: 'budgets.leave' })}
          </Button>
        </form>
      )}
      {maySet && (
        <ScopeForm key={replaces?.id ?? 'new'} replaces={replaces} quantities={quantities} onDone={() => setReplaces(null)} />
      )}
    </div>
  );
}
