'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { EndForm, CorrectForm, GiveForm, type ToAuthorise } from './competence-forms';
import type { CompetenceLine } from './server/list-competence';
import '@/core/words/en/competence';

const MARKS = { valid: 'within', soon: 'cannotTell', over: 'outside', ended: 'notMeasured' } as const;

/** Who is authorised for what, on what grounds, until when. */
export function CompetenceView({ lines, mayGive, to }: { lines: CompetenceLine[]; mayGive: boolean; to: ToAuthorise }) {
  const [open, setOpen] = useState<{ id: string } | 'give' | null>(null);
  const close = () => setOpen(null);
  return (
    <>
      {mayGive && open !== 'give' && (
        <Button variant="primary" className="mb-3" onClick={() => setOpen('give')}>
          {say({ code: 'competence.give' })}
        </Button>
      )}
      {open === 'give' && <GiveForm to={to} onDone={close} />}
      {lines.length === 0 ? (
        <p className="quiet">{say({ code: 'competence.none' })}</p>
      ) : (
        <div className="sheet">
          <table className="table mb-0" data-testid="competence">
            <thead>
              <tr>
                {(['person', 'procedure', 'basis', 'why', 'givenOn', 'endsOn'] as const).map((name) => (
                  <th key={name}>{say({ code: `competence.${name}` })}</th>
                ))}
                <th />
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => (
                <tr key={line.id}>
                  <td>{line.personName}</td>
                  <td>
                    {line.title}
                    <div className="small">
                      <VerdictMark state={MARKS[line.stands]} word={say({ code: `competence.stands.${line.stands}` })} />
                    </div>
                  </td>
                  <td>{say({ code: `competence.basis.${line.basis}` })}</td>
                  <td className="small" style={{ maxWidth: '24rem' }}>
                    {line.why}
                    {line.ended && <div className="field-problem">{line.ended}</div>}
                    {mayGive && line.stands !== 'ended' && <EndForm id={line.id} />}
                    {typeof open === 'object' && open?.id === line.id && <CorrectForm line={line} onDone={close} />}
                  </td>
                  <td>
                    {day(line.givenOn)} <div className="small quiet">{line.givenBy}</div>
                  </td>
                  <td className="mono">{day(line.endsOn)}</td>
                  <td className="text-end text-nowrap">
                    {mayGive && line.stands !== 'ended' && (
                      <Button size="sm" variant="plain" onClick={() => setOpen({ id: line.id })}>
                        {say({ code: 'competence.correct' })}
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}
