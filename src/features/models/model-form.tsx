'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { TRAIT_FLAGS, type TraitFlag, type Traits } from '@/core/instrument/traits';
import type { ModelChannel } from '@/core/stored/channel';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { changeModelAction, createModelAction } from './actions';
import { ChannelRows, type Place } from './channel-rows';
import { without } from './without';
import '@/core/words/en/models';

export interface ModelOnRecord {
  id: string;
  version: number;
  maker: string;
  name: string;
  kind: string;
  procedureId: string;
  notes: string;
  traits: Traits;
  channels: ModelChannel[];
}

/** A procedure that a model can go by, with its places. */
export interface ModelProcedure {
  id: string;
  title: string;
  places: readonly Place[];
}

interface Props {
  model: ModelOnRecord;
  procedures: readonly ModelProcedure[];
  /** Another one is made like it; else it is changed itself. */
  copy: boolean;
  onDone: () => void;
}

/** A model, made like another or changed. */
export function ModelForm({ model, procedures, copy, onDone }: Props) {
  const router = useRouter();
  const [given, setGiven] = useState({ ...model, ...(copy ? { name: '' } : {}) });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const { id, version, ...input } = given;
    const result = copy
      ? await attempt(() => createModelAction(input))
      : await attempt(() => changeModelAction({ ...input, modelId: id, version }));
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? '' : messageBeside(result));
    if (!result.ok) return;
    onDone();
    if ('id' in result.value) router.push(`/models/${result.value.id}`);
    else router.refresh();
  };
  const text = (name: 'maker' | 'name' | 'kind' | 'notes') => (
    <Field label={say({ code: `model.${name}` })} problem={problems[name]}>
      <Form.Control
        autoFocus={name === (copy ? 'name' : 'maker')}
        autoComplete="off"
        value={given[name]}
        onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
      />
    </Field>
  );
  return (
    <form onSubmit={send} noValidate data-testid="model-form">
      {copy && <p className="quiet mb-2">{say({ code: 'model.likeHow' })}</p>}
      <div className="row">
        <div className="col-md-3">{text('maker')}</div>
        <div className="col-md-3">{text('name')}</div>
        <div className="col-md-6">{text('kind')}</div>
      </div>
      <Field label={say({ code: 'model.procedure' })} problem={problems.procedureId}>
        <Form.Select
          style={{ maxWidth: '32rem' }}
          value={given.procedureId}
          onChange={(event) => setGiven({ ...given, procedureId: event.target.value })}
        >
          {procedures.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title}
            </option>
          ))}
        </Form.Select>
      </Field>
      <h3>{say({ code: 'model.channels' })}</h3>
      <ChannelRows
        channels={given.channels}
        places={procedures.find((one) => one.id === given.procedureId)?.places ?? []}
        problems={problems}
        onChange={(channels) => setGiven({ ...given, channels })}
      />
      <h3>{say({ code: 'model.traits' })}</h3>
      <TraitFields traits={given.traits} problems={problems} onChange={(traits) => setGiven({ ...given, traits })} />
      {text('notes')}
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2">
        <Button type="submit">{say({ code: copy ? 'model.make' : 'model.save' })}</Button>
        <Button variant="plain" onClick={onDone}>
          {say({ code: 'model.leave' })}
        </Button>
      </div>
    </form>
  );
}

interface TraitProps {
  traits: Traits;
  problems: Record<string, string>;
  onChange: (traits: Traits) => void;
}

function TraitFields({ traits, problems, onChange }: TraitProps) {
  const flag = (name: TraitFlag) => (
    <div key={name} className="col-md-4">
      <Form.Check
        id={`trait-${name}`}
        label={say({ code: `trait.${name}` })}
        checked={traits[name] === true}
        onChange={(event) => onChange(event.target.checked ? { ...traits, [name]: true } : without(traits, name))}
      />
      {problems[`traits.${name}`] && (
        <div className="field-problem" role="alert">
          {problems[`traits.${name}`]}
        </div>
      )}
    </div>
  );
  return (
    <div className="row mb-2">
      {TRAIT_FLAGS.map(flag)}
      <div className="col-md-4">
        <Field label={say({ code: 'trait.drawsLPerMin' })} problem={problems['traits.drawsLPerMin']}>
          <Form.Control
            size="sm"
            className="mono"
            style={{ width: '6rem' }}
            value={traits.drawsLPerMin ?? ''}
            onChange={({ target: { value } }) =>
              onChange(
                value.trim() ? { ...traits, drawsLPerMin: value.trim().replace(',', '.') } : without(traits, 'drawsLPerMin'),
              )
            }
          />
        </Field>
      </div>
      {traits.part === 'probe' && (
        <div className="col-md-4">
          <Field label={say({ code: 'trait.readyDays' })} problem={problems['traits.readyDays']}>
            <Form.Control
              size="sm"
              className="mono"
              style={{ width: '6rem' }}
              inputMode="numeric"
              value={traits.readyDays ?? ''}
              onChange={({ target: { value } }) =>
                onChange(/^\d+$/.test(value) ? { ...traits, readyDays: Number(value) } : without(traits, 'readyDays'))
              }
            />
          </Field>
        </div>
      )}
    </div>
  );
}
