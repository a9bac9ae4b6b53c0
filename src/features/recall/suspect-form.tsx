'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { Doubt } from '@/core/results/suspicion';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { suspectAction } from './actions';
import '@/core/words/en/recall';
import '@/core/words/en/recall-letter';

type Row = { kind: 'asCertified' | Doubt['kind']; value: string };

/** What is thought true of each quantity of a reference, since when, and why. Folded until somebody has a suspicion. */
export function SuspectForm({ reference }: { reference: Pick<ReferenceSnapshot, 'id' | 'kind' | 'components'> }) {
  const router = useRouter();
  const moves = reference.kind === 'tool' ? 'shift' : 'value';
  const [rows, setRows] = useState<Record<string, Row>>({});
  const [given, setGiven] = useState({ why: '', from: '', to: '' });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const rowOf = (substance: string): Row => rows[substance] ?? { kind: 'asCertified', value: '' };
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const doubts = reference.components.flatMap(({ substance }): Doubt[] => {
      const { kind, value } = rowOf(substance);
      if (kind === 'asCertified') return [];
      return [kind === 'unknown' ? { substance, kind } : { substance, kind, value: value.trim().replace('−', '-') }];
    });
    const result = await attempt(() => suspectAction({ referenceId: reference.id, doubts, ...given }));
    if (result.ok) return router.push(`/recall/${result.value.id}`);
    setProblems(result.fields);
    setMessage(messageBeside(result));
  };
  return (
    <details className="mb-3" data-testid="suspect">
      <summary>{say({ code: 'recall.suspect' })}</summary>
      <form onSubmit={send} noValidate className="sheet mt-2">
        <p className="quiet">{say({ code: 'recall.how' })}</p>
        <table className="table">
          <thead>
            <tr>
              <th>{say({ code: 'recall.quantity' })}</th>
              <th>{say({ code: 'recall.certified' })}</th>
              <th colSpan={2}>{say({ code: 'recall.thought' })}</th>
            </tr>
          </thead>
          <tbody>
            {reference.components.map(({ substance, value, unit }) => {
              const row = rowOf(substance);
              const set = (change: Partial<Row>) => setRows({ ...rows, [substance]: { ...row, ...change } });
              return (
                <tr key={substance}>
                  <td>{substance}</td>
                  <td className="mono">{moves === 'value' ? `${value} ${unit}` : unit}</td>
                  <td>
                    <Form.Select
                      aria-label={`${substance}: ${say({ code: 'recall.thought' })}`}
                      value={row.kind}
                      onChange={(event) => set({ kind: event.target.value as Row['kind'] })}
                    >
                      {(['asCertified', moves, 'unknown'] as const).map((kind) => (
                        <option key={kind} value={kind}>
                          {say({ code: `recall.${kind}` })}
                        </option>
                      ))}
                    </Form.Select>
                  </td>
                  <td>
                    {row.kind === moves && (
                      <div className="input-group">
                        <Form.Control
                          className="mono"
                          inputMode="decimal"
                          aria-label={`${substance}: ${say({ code: moves === 'value' ? 'recall.value' : 'recall.shift' })}`}
                          value={row.value}
                          onChange={(event) => set({ value: event.target.value })}
                        />
                        <span className="input-group-text">{unit}</span>
                      </div>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {moves === 'shift' && <p className="quiet small">{say({ code: 'recall.shiftHelp' })}</p>}
        <div className="row">
          {(['from', 'to'] as const).map((which) => (
            <div key={which} className="col-md-3">
              <Field label={say({ code: `trace.${which}` })} problem={problems[which]}>
                <DayInput value={given[which]} onChange={(day) => setGiven({ ...given, [which]: day })} />
              </Field>
            </div>
          ))}
        </div>
        <Field label={say({ code: 'recall.why' })} problem={problems.why}>
          <Form.Control
            as="textarea"
            rows={2}
            value={given.why}
            onChange={(event) => setGiven({ ...given, why: event.target.value })}
          />
        </Field>
        {(problems.doubts || message) && (
          <p className="field-problem" role="alert">
            {problems.doubts ?? message}
          </p>
        )}
        <Button type="submit">{say({ code: 'recall.start' })}</Button>
      </form>
    </details>
  );
}
