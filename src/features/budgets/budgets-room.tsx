'use client';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { ConfirmForm } from './confirm-form';
import type { StandingLine } from './server';
import { StandingRow } from './standing-row';
import type { ScopeLine, ScopeQuantity } from './scope-line';
import { ScopePanel } from './scope-panel';
import { StudyPanel, type StudyLine, type StudyPoint } from './study-panel';
import '@/core/words/en/budgets-room';

interface Props {
  lines: StandingLine[];
  studies: StudyLine[];
  points: StudyPoint[];
  scope: ScopeLine[];
  quantities: ScopeQuantity[];
  maySet: boolean;
  today: string;
}

/** Standing values of budgets: what no single reading gives, each with its source and date; and the repeat studies that feed them. */
export function BudgetsRoom({ lines, studies, points, scope, quantities, maySet, today }: Props) {
  const measurands = [...new Set(lines.map((one) => one.measurand))];
  const [chosen, setChosen] = useState('');
  const remembered = lines.filter((one) => one.source.kind === 'memory').length;
  const shown = lines.filter((one) => !chosen || one.measurand === chosen);
  return (
    <>
      {remembered > 0 && (
        <div className="notice bad">
          <p className="mb-2">{say({ code: 'budgets.remembered', numbers: { count: remembered } })}</p>
          {maySet && <ConfirmForm today={today} />}
        </div>
      )}
      <div className="sheet">
        <div className="d-flex gap-3 align-items-end mb-2">
          <h2 className="mb-0">{say({ code: 'budgets.standing' })}</h2>
          <Form.Select
            style={{ width: '16rem' }}
            aria-label={say({ code: 'budgets.measurand' })}
            value={chosen}
            onChange={(event) => setChosen(event.target.value)}
          >
            <option value="">{say({ code: 'budgets.all' })}</option>
            {measurands.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Form.Select>
        </div>
        <p className="quiet small">{say({ code: 'budgets.explain' })}</p>
        <table className="table mb-0">
          <thead>
            <tr>
              <th>{say({ code: 'budgets.measurand' })}</th>
              <th>{say({ code: 'budgets.influence' })}</th>
              <th className="text-end">{say({ code: 'budgets.value' })}</th>
              <th>{say({ code: 'budgets.source' })}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {shown.map((line) => (
              <StandingRow
                key={[line.measurand, line.id, line.procedure, line.point].join('/')}
                line={line}
                maySet={maySet}
                today={today}
              />
            ))}
          </tbody>
        </table>
      </div>
      <StudyPanel studies={studies} points={points} maySet={maySet} today={today} />
      <ScopePanel scope={scope} quantities={quantities} maySet={maySet} />
      <p className="mt-3 d-flex gap-3">
        {(
          [
            ['standing', 'budgets.standing'],
            ['studies', 'budgets.studies'],
            ['scope', 'budgets.scope'],
          ] as const
        ).map(([table, code]) => (
          <a key={table} href={`/office/budgets/export/${table}`} download>
            {say({ code: 'budgets.export' })}: {say({ code })}
          </a>
        ))}
      </p>
    </>
  );
}
