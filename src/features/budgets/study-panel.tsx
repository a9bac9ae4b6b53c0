'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { day } from '@/ui/format';
import { recordStudyAction, withdrawStudyAction } from './actions';
import '@/core/words/en/budgets-room';

export interface StudyLine {
  id: string;
  procedure: string;
  point: string;
  measurand: string;
  unit: string;
  instrument: string;
  pooledS: string;
  dof: number;
  n: number;
  studiedOn: string;
  by: string;
  withdrawn: string | null;
}
/** A point that can be studied: of a procedure, with the quantities that stand in its places. */
export interface StudyPoint {
  procedure: string;
  title: string;
  point: string;
  label: string;
  measurand: string;
  units: string[];
}

const EMPTY = { instrument: '', readings: '', note: '' };

/** Repeat studies: readings of one point, a line a series; what they pool feeds the repeatability of that point from then on. */
export function StudyPanel({
  studies,
  points,
  maySet,
  today,
}: {
  studies: StudyLine[];
  points: StudyPoint[];
  maySet: boolean;
  today: string;
}) {
  const router = useRouter();
  const [at, setAt] = useState(0);
  const [unit, setUnit] = useState('');
  const [typed, setTyped] = useState({ ...EMPTY, studiedOn: today });
  const [fields, setFields] = useState<Record<string, string>>({});
  const [reason, setReason] = useState<{ id: string; text: string } | null>(null);
  const point = points[at];
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (!point) return;
    const { procedure, measurand } = point;
    const result = await attempt(() =>
      recordStudyAction({ ...typed, procedure, point: point.point, measurand, unit: unit || point.units[0] }),
    );
    setFields(result.ok ? {} : { ...result.fields, ...(Object.keys(result.fields).length ? {} : { readings: result.message }) });
    if (!result.ok) return;
    setTyped({ ...EMPTY, studiedOn: today });
    router.refresh();
  };
  const withdraw = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => withdrawStudyAction({ id: reason!.id, reason: reason!.text }));
    setFields(result.ok ? {} : { reason: result.fields.reason ?? result.message });
    if (!result.ok) return;
    setReason(null);
    router.refresh();
  };
  return (
    <div className="sheet mt-3">
      <h2>{say({ code: 'budgets.studies' })}</h2>
      {studies.length === 0 && <p className="quiet">{say({ code: 'budgets.noStudies' })}</p>}
      <table className="table">
        <tbody>
          {studies.map((one) => (
            <tr key={one.id} className={one.withdrawn ? 'struck' : ''}>
              <td>
                {one.measurand}
                <span className="quiet small d-block">
                  {one.procedure}, {one.point}
                </span>
              </td>
              <td className="mono">
                s = {one.pooledS} {one.unit}
              </td>
              <td>{say({ code: 'budgets.studySize', numbers: { n: one.n, dof: one.dof } })}</td>
              <td>
                {day(one.studiedOn)}, {one.by}
                <span className="quiet small d-block">{one.withdrawn ?? one.instrument}</span>
              </td>
              <td className="text-end">
                {maySet && !one.withdrawn && (
                  <Button size="sm" variant="plain" onClick={() => setReason({ id: one.id, text: '' })}>
                    {say({ code: 'budgets.withdraw' })}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {reason && (
        <form className="d-flex gap-2 mb-3" onSubmit={withdraw}>
          <Form.Control
            autoFocus
            aria-label={say({ code: 'budgets.withdrawWhy' })}
            placeholder={say({ code: 'budgets.withdrawWhy' })}
            value={reason.text}
            onChange={(event) => setReason({ ...reason, text: event.target.value })}
          />
          <Button type="submit" variant="plain">
            {say({ code: 'budgets.withdraw' })}
          </Button>
        </form>
      )}
      {fields.reason && (
        <p className="field-problem" role="alert">
          {fields.reason}
        </p>
      )}
      <h3>{say({ code: 'budgets.newStudy' })}</h3>
      <form onSubmit={send} className="row g-2">
        <div className="col-md-6">
          <Field label={say({ code: 'budgets.point' })} problem={fields.point ?? fields.procedure}>
            <Form.Select value={at} onChange={(event) => setAt(Number(event.target.value))}>
              {points.map((one, index) => (
                <option key={index} value={index}>
                  {one.title}: {one.label}, {one.measurand}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-2">
          <Field label={say({ code: 'budgets.unit' })} problem={fields.unit}>
            <Form.Select value={unit || point?.units[0]} onChange={(event) => setUnit(event.target.value)}>
              {point?.units.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'budgets.studiedOn' })} problem={fields.studiedOn}>
            <Form.Control
              className="mono"
              value={typed.studiedOn}
              onChange={(event) => setTyped({ ...typed, studiedOn: event.target.value })}
            />
          </Field>
        </div>
        <div className="col-md-6">
          <Field label={say({ code: 'budgets.readings' })} problem={fields.readings}>
            <Form.Control
              as="textarea"
              rows={3}
              className="mono"
              placeholder={'100 101 100 99 100\n98 99 98 98 97'}
              value={typed.readings}
              onChange={(event) => setTyped({ ...typed, readings: event.target.value })}
            />
          </Field>
        </div>
        <div className="col-md-6">
          <Field label={say({ code: 'budgets.instrument' })} problem={fields.instrument}>
            <Form.Control value={typed.instrument} onChange={(event) => setTyped({ ...typed, instrument: event.target.value })} />
          </Field>
          <Button type="submit" variant="plain">
            {say({ code: 'budgets.recordStudy' })}
          </Button>
        </div>
      </form>
    </div>
  );
}
