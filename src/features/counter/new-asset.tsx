'use client';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { ModelChannel } from '@/data/schema';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import { createAssetAction } from './actions';
import { assetSchema, type AssetInput } from './receive-schema';
import { toleranceText } from '@/ui/tolerance-text';
import '@/core/words/en/models';

export interface ModelChoice {
  id: string;
  maker: string;
  name: string;
  kind: string;
  channels: ModelChannel[];
}

/** An instrument that is not on record yet: its model brings the channels, fitted or absent with their sensor serials. */
export function NewAsset({
  serial,
  customerId,
  models,
  onMade,
  onLeave,
}: {
  serial: string;
  customerId: string;
  models: ModelChoice[];
  onMade: (assetId: string) => void;
  onLeave: () => void;
}) {
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    setError,
    setValue,
    control,
    formState: { errors, isSubmitting },
  } = useForm({
    resolver: yupResolver(assetSchema),
    defaultValues: { customerId, modelId: '', serial, tag: '', channels: [] as AssetInput['channels'] },
  });
  const modelId = useWatch({ control, name: 'modelId' });
  const model = models.find((candidate) => candidate.id === modelId);
  const choose = (id: string) => {
    setValue('modelId', id, { shouldValidate: true });
    setValue(
      'channels',
      (models.find((candidate) => candidate.id === id)?.channels ?? []).map((channel) => ({
        role: channel.role,
        status: 'fitted' as const,
        sensorSerial: '',
      })),
    );
  };
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => createAssetAction(values));
    if (result.ok) return onMade(result.value.id);
    Object.entries(result.fields).forEach(([field, text]) => setError(field as 'serial', { message: text }));
    setMessage(result.message);
  });
  return (
    <Form onSubmit={submit} noValidate>
      <h3>New instrument</h3>
      <div className="row">
        <div className="col-md-5">
          <Field label="Maker and model" problem={errors.modelId?.message}>
            <Form.Select autoFocus onChange={(event) => choose(event.target.value)} defaultValue="">
              <option value="" disabled>
                Choose …
              </option>
              {models.map((choice) => (
                <option key={choice.id} value={choice.id}>
                  {choice.maker} {choice.name}, {choice.kind}
                </option>
              ))}
            </Form.Select>
          </Field>
          <Link className="small" href="/models" target="_blank">
            {say({ code: 'models.copy' })}
          </Link>
        </div>
        <div className="col-md-4">
          <Field label="Serial" problem={errors.serial?.message}>
            <Form.Control className="mono" {...register('serial')} />
          </Field>
        </div>
        <div className="col-md-3">
          <Field label="Customer’s tag" problem={errors.tag?.message}>
            <Form.Control className="mono" {...register('tag')} />
          </Field>
        </div>
      </div>
      {model && (
        <table className="table">
          <thead>
            <tr>
              <th>Channel</th>
              <th>Range</th>
              <th>Step</th>
              <th>Tolerance</th>
              <th>Sensor serial</th>
              <th>Fitted?</th>
            </tr>
          </thead>
          <tbody>
            {model.channels.map((channel, index) => (
              <tr key={channel.role}>
                <td>
                  {channel.label} <span className="quiet">{channel.measurand}</span>
                </td>
                <td>
                  {channel.lowest} to {channel.highest} {channel.unit}
                </td>
                <td>{channel.resolution}</td>
                <td>{toleranceText(channel.tolerance, channel.unit)}</td>
                <td>
                  <Form.Control
                    size="sm"
                    className="mono"
                    aria-label={`Sensor serial of ${channel.label}`}
                    {...register(`channels.${index}.sensorSerial`)}
                  />
                </td>
                <td>
                  <Form.Select size="sm" aria-label={`${channel.label} fitted`} {...register(`channels.${index}.status`)}>
                    <option value="fitted">fitted</option>
                    <option value="removed">absent</option>
                    <option value="notCalibrated">not to be calibrated</option>
                  </Form.Select>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" disabled={isSubmitting}>
          Make instrument
        </Button>
        <Button variant="plain" onClick={onLeave}>
          Back to the search
        </Button>
      </div>
    </Form>
  );
}
