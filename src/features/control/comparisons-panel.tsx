'use client';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { useSent } from '@/platform/client/use-sent';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { FormFoot } from '@/ui/form-foot';
import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { keepComparisonAction, strikeComparisonAction } from './actions';
import type { ComparisonLine } from './server/keep-comparison';
import { WithWhy } from './with-why';
import '@/core/words/en/control';

/** Comparisons with other laboratories, with their Eₙ scores (ISO 13528): up to one the two agree. */
export function ComparisonsPanel({ lines, mayKeep }: { lines: readonly ComparisonLine[]; mayKeep: boolean }) {
  return (
    <section className="sheet mb-3" data-testid="comparisons">
      <h2>{say({ code: 'control.comparisons' })}</h2>
      {lines.length === 0 && <p className="quiet">{say({ code: 'control.noComparison' })}</p>}
      {lines.length > 0 && (
        <table className="table">
          <thead>
            <tr>
              {(['onDay', 'withWhom', 'what', 'own', 'theirs', 'en'] as const).map((one) => (
                <th key={one}>{say({ code: `control.${one}` })}</th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.id} className={line.struckAt ? 'quiet text-decoration-line-through' : undefined}>
                <td className="text-nowrap">{day(line.onDay)}</td>
                <td>{line.withWhom}</td>
                <td>
                  {line.what}
                  {line.note && <span className="d-block small quiet">{line.note}</span>}
                </td>
                <td className="mono text-nowrap">
                  {line.value} ± {line.expanded} {line.unit}
                </td>
                <td className="mono text-nowrap">
                  {line.reference} ± {line.referenceExpanded} {line.unit}
                </td>
                <td className="text-nowrap">
                  <VerdictMark
                    state={line.agrees ? 'within' : 'outside'}
                    word={`${line.score.toFixed(2)} ${say({ code: line.agrees ? 'control.agrees' : 'control.differs' })}`}
                  />
                </td>
                <td>
                  {line.struckAt
                    ? say({ code: 'control.struckLine', numbers: { by: line.struckBy ?? '', why: line.struckWhy ?? '' } })
                    : mayKeep && (
                        <WithWhy
                          title={say({ code: 'control.strike' })}
                          label={say({ code: 'control.why' })}
                          send={(why) => attempt(() => strikeComparisonAction({ id: line.id, why }))}
                        />
                      )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {mayKeep && <NewComparison />}
    </section>
  );
}

const EMPTY = {
  onDay: '',
  withWhom: '',
  what: '',
  unit: '',
  value: '',
  expanded: '',
  reference: '',
  referenceExpanded: '',
  note: '',
};
const FIELDS = [
  ['withWhom', 'control.withWhom', 4],
  ['what', 'control.what', 4],
  ['unit', 'control.unit', 2],
  ['value', 'control.own', 2],
  ['expanded', 'control.ownU', 2],
  ['reference', 'control.theirs', 2],
  ['referenceExpanded', 'control.theirsU', 2],
  ['note', 'control.note', 4],
] as const;

function NewComparison() {
  const [open, setOpen] = useState(false);
  const [given, setGiven] = useState(EMPTY);
  const { send, problems, message } = useSent();
  const keep = async (event: React.FormEvent) => {
    event.preventDefault();
    if (!(await send(() => attempt(() => keepComparisonAction(given))))) return;
    setGiven(EMPTY);
    setOpen(false);
  };
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{say({ code: 'control.newComparison' })}</summary>
      <form onSubmit={keep} noValidate className="mt-2">
        <div className="row g-2">
          <div className="col-md-2">
            <Field label={say({ code: 'control.onDay' })} problem={problems.onDay}>
              <DayInput value={given.onDay} onChange={(onDay) => setGiven({ ...given, onDay })} />
            </Field>
          </div>
          {FIELDS.map(([name, code, width]) => (
            <div key={name} className={`col-md-${width}`}>
              <Field label={say({ code })} problem={problems[name]}>
                <Form.Control
                  autoComplete="off"
                  value={given[name]}
                  onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
                />
              </Field>
            </div>
          ))}
        </div>
        <FormFoot
          message={Object.keys(problems).length ? '' : message}
          save={say({ code: 'control.save' })}
          leave={say({ code: 'control.leave' })}
          onLeave={() => setOpen(false)}
        />
      </form>
    </details>
  );
}
