'use client';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { COMPETENCE_BASES } from '@/core/stored/competence';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { useSent } from '@/platform/client/use-sent';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { FormFoot } from '@/ui/form-foot';
import { WhyForm } from '@/ui/why-form';
import { correctCompetenceAction, endCompetenceAction, giveCompetenceAction } from './actions';
import type { CompetenceLine } from './server/list-competence';
import '@/core/words/en/competence';

export interface ToAuthorise {
  people: { id: string; name: string }[];
  procedures: { id: string; title: string }[];
}

export function GiveForm({ to, onDone }: { to: ToAuthorise; onDone: () => void }) {
  const [given, setGiven] = useState({
    person: '',
    procedure: '',
    basis: 'practice' as (typeof COMPETENCE_BASES)[number],
    why: '',
    endsOn: '',
  });
  const { problems, message, send } = useSent();
  const save = async (event: React.FormEvent) => {
    event.preventDefault();
    if (await send(() => giveCompetenceAction(given))) onDone();
  };
  const choose = <option value="">{say({ code: 'competence.choose' })}</option>;
  return (
    <form onSubmit={save} noValidate className="sheet mb-3" data-testid="competence-form">
      <div className="row">
        <div className="col-md-4">
          <Field label={say({ code: 'competence.person' })} problem={problems.person}>
            <Form.Select value={given.person} onChange={(event) => setGiven({ ...given, person: event.target.value })}>
              {choose}
              {to.people.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-8">
          <Field label={say({ code: 'competence.procedure' })} problem={problems.procedure}>
            <Form.Select value={given.procedure} onChange={(event) => setGiven({ ...given, procedure: event.target.value })}>
              {choose}
              {to.procedures.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.title}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'competence.basis' })} problem={problems.basis}>
            <Form.Select
              value={given.basis}
              onChange={(event) => setGiven({ ...given, basis: event.target.value as (typeof COMPETENCE_BASES)[number] })}
            >
              {COMPETENCE_BASES.map((one) => (
                <option key={one} value={one}>
                  {say({ code: `competence.basis.${one}` })}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'competence.endsOn' })} problem={problems.endsOn}>
            <DayInput value={given.endsOn} onChange={(endsOn) => setGiven({ ...given, endsOn })} />
          </Field>
        </div>
      </div>
      <Field label={say({ code: 'competence.why' })} problem={problems.why}>
        <Form.Control
          as="textarea"
          rows={2}
          value={given.why}
          onChange={(event) => setGiven({ ...given, why: event.target.value })}
        />
      </Field>
      <FormFoot
        message={Object.keys(problems).length ? '' : message}
        save={say({ code: 'competence.keep' })}
        leave={say({ code: 'competence.leave' })}
        onLeave={onDone}
      />
    </form>
  );
}

export function CorrectForm({ line, onDone }: { line: CompetenceLine; onDone: () => void }) {
  const [given, setGiven] = useState({ why: line.why, endsOn: line.endsOn });
  const { problems, message, send } = useSent();
  const save = async (event: React.FormEvent) => {
    event.preventDefault();
    if (await send(() => correctCompetenceAction({ id: line.id, ...given }))) onDone();
  };
  return (
    <form onSubmit={save} noValidate className="mt-2">
      <Field label={say({ code: 'competence.endsOn' })} problem={problems.endsOn}>
        <DayInput value={given.endsOn} onChange={(endsOn) => setGiven({ ...given, endsOn })} />
      </Field>
      <Field label={say({ code: 'competence.why' })} problem={problems.why}>
        <Form.Control
          as="textarea"
          rows={2}
          value={given.why}
          onChange={(event) => setGiven({ ...given, why: event.target.value })}
        />
      </Field>
      <FormFoot
        message={Object.keys(problems).length ? '' : message}
        save={say({ code: 'competence.save' })}
        leave={say({ code: 'competence.leave' })}
        onLeave={onDone}
      />
    </form>
  );
}

export const EndForm = ({ id }: { id: string }) => (
  <WhyForm
    testId="end-competence"
    title={say({ code: 'competence.end' })}
    label={say({ code: 'competence.endWhy' })}
    act={async (reason) => {
      const result = await attempt(() => endCompetenceAction({ id, reason }));
      return result.ok ? '' : (result.fields.reason ?? result.message);
    }}
  />
);
