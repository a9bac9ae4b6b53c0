'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Tolerance } from '@/core/record/tolerance';
import { say } from '@/core/words/say';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { day } from '@/ui/format';
import { toleranceText } from '@/ui/tolerance-text';
import { endToleranceAction, keepToleranceAction } from './actions';
import { KeptFoot, useKept } from './kept-form';
import { KeptList } from './kept-list';
import '@/core/words/en/certificate';
import '@/core/words/en/customers';

export interface Agreed {
  id: string;
  modelId: string;
  model: string;
  role: string;
  label: string;
  unit: string;
  tolerance: Tolerance;
  agreedOn: string;
  agreedWith: string;
}
export interface ModelToAgree {
  id: string;
  name: string;
  channels: { role: string; label: string; unit: string }[];
}
interface Props {
  customerId: string;
  agreed: Agreed[];
  models: ModelToAgree[];
  mayKeep: boolean;
}

/** Tolerances that hold for this customer instead of the models' own. */
export function TolerancesPanel({ customerId, agreed, models, mayKeep }: Props) {
  return (
    <KeptList
      title={say({ code: 'agreed.title' })}
      none={say({ code: 'agreed.none' })}
      add={say({ code: 'agreed.add' })}
      testId="tolerances"
      all={agreed}
      mayKeep={mayKeep}
      form={(held, done) => <ToleranceForm customerId={customerId} models={models} {...(held ? { held } : {})} onDone={done} />}
      line={(one, correct) => (
        <div className="d-flex flex-wrap gap-3 align-items-baseline mb-2">
          <span>
            {one.model}, <strong>{one.label}</strong>
          </span>
          <span>{toleranceText(one.tolerance, one.unit)}</span>
          <span className="quiet small">
            {say({ code: 'agreed.line', numbers: { on: day(one.agreedOn), whom: one.agreedWith } })}
          </span>
          {mayKeep && (
            <Button variant="plain" size="sm" onClick={correct}>
              {say({ code: 'customer.correct' })}
            </Button>
          )}
        </div>
      )}
    />
  );
}

interface FormProps {
  customerId: string;
  models: ModelToAgree[];
  held?: Agreed;
  onDone: () => void;
}

function ToleranceForm({ customerId, models, held, onDone }: FormProps) {
  const [given, setGiven] = useState({
    modelId: held?.modelId ?? models[0]?.id ?? '',
    role: held?.role ?? models[0]?.channels[0]?.role ?? '',
    agreedOn: held?.agreedOn ?? '',
    agreedWith: held?.agreedWith ?? '',
  });
  const [tolerance, setTolerance] = useState<Tolerance>(held?.tolerance ?? {});
  const { problems, message, send } = useKept(onDone);
  const channels = models.find((one) => one.id === given.modelId)?.channels ?? [];
  const unit = held?.unit ?? channels.find((one) => one.role === given.role)?.unit ?? '';
  const save = (event: React.FormEvent) => {
    event.preventDefault();
    void send(() => keepToleranceAction({ customerId, ...given, tolerance }));
  };
  return (
    <form onSubmit={save} noValidate className="mb-2" data-testid="tolerance-form">
      {held ? (
        <p className="mb-1">
          {held.model}, <strong>{held.label}</strong>
        </p>
      ) : (
        <div className="row">
          <div className="col-md-7">
            <Field label={say({ code: 'agreed.model' })} problem={problems.modelId}>
              <Form.Select
                value={given.modelId}
                onChange={(event) => {
                  const model = models.find((one) => one.id === event.target.value);
                  setGiven({ ...given, modelId: event.target.value, role: model?.channels[0]?.role ?? '' });
                }}
              >
                {models.map((model) => (
                  <option key={model.id} value={model.id}>
                    {model.name}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
          <div className="col-md-5">
            <Field label={say({ code: 'agreed.channel' })} problem={problems.role}>
              <Form.Select value={given.role} onChange={(event) => setGiven({ ...given, role: event.target.value })}>
                {channels.map((channel) => (
                  <option key={channel.role} value={channel.role}>
                    {channel.label}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
        </div>
      )}
      <div className="row">
        {(['absolute', 'percentOfTarget', 'zero'] as const).map((part) => (
          <div className="col-4" key={part}>
            <Field
              label={say({ code: `agreed.${part}`, numbers: part === 'absolute' ? { unit } : {} })}
              problem={problems[`tolerance.${part}`]}
            >
              <Form.Control
                className="mono"
                inputMode="decimal"
                autoComplete="off"
                value={tolerance[part] ?? ''}
                onChange={(event) => setTolerance({ ...tolerance, [part]: event.target.value })}
              />
            </Field>
          </div>
        ))}
        <div className="col-md-5">
          <Field label={say({ code: 'agreed.on' })} problem={problems.agreedOn}>
            <DayInput value={given.agreedOn} onChange={(agreedOn) => setGiven({ ...given, agreedOn })} />
          </Field>
        </div>
        <div className="col-md-7">
          <Field label={say({ code: 'agreed.with' })} problem={problems.agreedWith}>
            <Form.Control
              autoComplete="off"
              value={given.agreedWith}
              onChange={(event) => setGiven({ ...given, agreedWith: event.target.value })}
            />
          </Field>
        </div>
      </div>
      <p className="quiet small mb-2">{say({ code: 'agreed.how' })}</p>
      <KeptFoot
        message={message}
        onLeave={onDone}
        end={
          held && { label: say({ code: 'agreed.end' }), act: () => void send(() => endToleranceAction({ toleranceId: held.id })) }
        }
      />
    </form>
  );
}
