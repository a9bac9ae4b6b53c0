'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { TRAIT_FLAGS } from '@/core/instrument/traits';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { Link } from '@/ui/link';
import { WhyForm } from '@/ui/why-form';
import { retireModelAction, takeBackModelAction } from './actions';
import { ModelForm, type ModelOnRecord, type ModelProcedure } from './model-form';
import { toleranceText } from '@/ui/tolerance-text';
import '@/core/words/en/customers';
import '@/core/words/en/models';
import '@/core/words/en/practice';

interface Props {
  model: ModelOnRecord;
  procedure: string;
  procedures: readonly ModelProcedure[];
  retired: boolean;
  mayKeep: boolean;
}

/** A model as it is, and the ways to change it, make another like it, or end it. */
export function ModelView({ model, procedure, procedures, retired, mayKeep }: Props) {
  const [doing, setDoing] = useState<'look' | 'change' | 'copy'>('look');
  if (doing !== 'look')
    return (
      <div className="sheet">
        {doing === 'copy' && <h2>{say({ code: 'model.newTitle', numbers: { model: `${model.maker} ${model.name}` } })}</h2>}
        <ModelForm
          key={`${doing}-${model.version}`}
          model={model}
          procedures={procedures}
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
              <td>{toleranceText(channel.tolerance, channel.unit)}</td>
              <td className="quiet small">{[channel.alarms?.low, channel.alarms?.high].filter(Boolean).join(' / ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small mb-2">
        {[...flags, ...(draws ? [`${say({ code: 'trait.drawsLPerMin' })} ${draws}`] : [])].join(' · ')}
      </p>
      {model.notes && <p style={{ whiteSpace: 'pre-line' }}>{model.notes}</p>}
      {procedure !== '—' && (
        <p className="d-flex flex-wrap gap-3 align-items-center">
          <Link className="btn btn-primary" href={`/models/${model.id}/try`}>
            {say({ code: 'practice.try' })}
          </Link>
          <span className="small quiet">{say({ code: 'practice.tryHow' })}</span>
        </p>
      )}
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

function EndModel({ modelId, retired }: { modelId: string; retired: boolean }) {
  const act = retired ? takeBackModelAction : retireModelAction;
  return (
    <WhyForm
      testId="end-model"
      title={say({ code: retired ? 'model.back' : 'model.retire' })}
      how={retired ? undefined : say({ code: 'model.retireHow' })}
      label={say({ code: 'model.why' })}
      act={async (why) => saidOfWhy(await attempt(() => act({ modelId, why })))}
    />
  );
}
