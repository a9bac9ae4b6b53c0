'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { TRAIT_FLAGS } from '@/core/instrument/traits';
import type { ModelChannel } from '@/core/stored/channel';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { retireModelAction, takeBackModelAction } from './actions';
import type { Place } from './channel-rows';
import { ModelForm, type ModelOnRecord } from './model-form';

interface Props {
  model: ModelOnRecord;
  procedure: string;
  places: readonly Place[];
  retired: boolean;
  mayKeep: boolean;
}

/** A model as it is, and the ways to change it, make another like it, or end it. */
export function ModelView({ model, procedure, places, retired, mayKeep }: Props) {
  const [doing, setDoing] = useState<'look' | 'change' | 'copy'>('look');
  if (doing !== 'look')
    return (
      <div className="sheet">
        {doing === 'copy' && <h2>{say({ code: 'model.newTitle', numbers: { model: `${model.maker} ${model.name}` } })}</h2>}
        <ModelForm
          key={`${doing}-${model.version}`}
          model={model}
          procedure={procedure}
          places={places}
          copy={doing === 'copy'}
          onDone={() => setDoing('look')}
        />
      </div>
    );
  const flags = TRAIT_FLAGS.filter((flag) => model.traits[flag]).map((flag) => say({ code: `trait.${flag}` }));
  const draws = model.traits.drawsLPerMin;
  return (
    <div className="sheet" data-testid="model">
      <p className="mb-2">
        {model.kind}. <span className="quiet">{procedure}</span>
      </p>
      <table className="table">
        <tbody>
          {model.channels.map((channel) => (
            <tr key={channel.role}>
              <td>
                {channel.label} <span className="quiet small">{channel.measurand}</span>
              </td>
              <td className="mono">
                {channel.lowest} … {channel.highest} {channel.unit}, {channel.resolution}
              </td>
              <td>{toleranceText(channel)}</td>
              <td className="quiet small">{[channel.alarms?.low, channel.alarms?.high].filter(Boolean).join(' / ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small mb-2">
        {[...flags, ...(draws ? [`${say({ code: 'trait.drawsLPerMin' })} ${draws}`] : [])].join(' · ')}
      </p>
      {model.notes && <p style={{ whiteSpace: 'pre-line' }}>{model.notes}</p>}
      {mayKeep && (
        <>
          <div className="d-flex gap-2">
            <Button variant="plain" onClick={() => setDoing('copy')}>
              {say({ code: 'models.copy' })}
            </Button>
            <Button variant="plain" onClick={() => setDoing('change')}>
              {say({ code: 'customer.correct' })}
            </Button>
          </div>
          <EndModel modelId={model.id} retired={retired} />
        </>
      )}
    </div>
  );
}

function toleranceText({ tolerance, unit }: ModelChannel): string {
  const { absolute, percentOfTarget, zero } = tolerance;
  const parts = [absolute && `± ${absolute} ${unit}`, percentOfTarget && `± ${percentOfTarget} %`].filter(Boolean).join(' / ');
  return zero ? `${parts}; 0: ± ${zero} ${unit}` : parts;
}

function EndModel({ modelId, retired }: { modelId: string; retired: boolean }) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState('');
  const word = retired ? 'model.back' : 'model.retire';
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => (retired ? takeBackModelAction : retireModelAction)({ modelId, why }));
    setProblem(result.ok ? '' : (result.fields.why ?? result.message));
    if (!result.ok) return;
    setWhy('');
    router.refresh();
  };
  return (
    <details className="mt-3" data-testid="end-model">
      <summary>{say({ code: word })}</summary>
      {!retired && <p className="quiet small mb-1">{say({ code: 'model.retireHow' })}</p>}
      <form className="d-flex flex-wrap gap-2 align-items-start" onSubmit={send}>
        <Form.Control
          style={{ width: '24rem' }}
          aria-label={say({ code: 'model.why' })}
          placeholder={say({ code: 'model.why' })}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button type="submit" variant="plain">
          {say({ code: word })}
        </Button>
        {problem && (
          <div className="field-problem w-100" role="alert">
            {problem}
          </div>
        )}
      </form>
    </details>
  );
}
