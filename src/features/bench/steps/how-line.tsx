'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { PlannedStep } from '@/core/run/plan-node';
import { stepPath } from '@/core/record/step-key';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { dayIn } from '@/ui/format';
import { useZone } from '@/ui/zone';
import { HowForm } from '../lazy';
import { writeModelKeyAction } from '../actions';
import type { ModelKey } from '../server/model-keys';
import type { RunView } from '../server/run-view';
import '@/core/words/en/keys';

/** How this step goes on this model: which key, how long, what the display says. Written from here by whoever knows, shown to all afterwards. */
export function HowLine({ view, present }: { view: RunView; present: PlannedStep }) {
  const zone = useZone();
  const path = stepPath(present.key);
  const [written, setWritten] = useState<Record<string, ModelKey>>({});
  const [editing, setEditing] = useState<string | null>(null);
  const versions = view.keys[path] ?? [];
  const newest = written[path] ?? versions[0];
  const model = view.asset.model;
  if (editing === path)
    return (
      <HowForm
        key={path}
        newest={newest}
        model={model}
        leave={() => setEditing(null)}
        send={async (text, secret) => {
          const result = await attempt(() =>
            writeModelKeyAction({
              modelId: view.asset.modelId,
              procedureId: view.procedure.id,
              step: path,
              after: newest?.version ?? 0,
              text,
              secret,
            }),
          );
          if (!result.ok) return result.fields.text ?? result.message;
          const now = { version: result.value.version, text, secret, by: view.me.name, on: new Date().toISOString() };
          setWritten({ ...written, [path]: now });
          setEditing(null);
          return null;
        }}
      />
    );
  if (!newest?.text && !view.mayWriteKeys) return null;
  return (
    <p className={`how-line${newest?.text ? '' : ' none'}`} data-testid="how-line">
      {newest?.text && (
        <>
          <span className="quiet">{say({ code: 'keys.on', numbers: { model } })}</span> <span>{newest.text}</span>
        </>
      )}
      {newest?.secret && (
        <>
          {' '}
          <span className="mono" title={say({ code: 'keys.secret' })}>
            {newest.secret}
          </span>
        </>
      )}{' '}
      {newest && (
        <span className="quiet small">
          {say({ code: 'keys.by', numbers: { by: newest.by, on: dayIn(newest.on, zone), version: newest.version } })}
        </span>
      )}{' '}
      {view.mayWriteKeys && (
        <Button variant="link" size="sm" className="p-0 align-baseline" onClick={() => setEditing(path)}>
          {newest?.text ? say({ code: 'keys.change' }) : say({ code: 'keys.write', numbers: { model } })}
        </Button>
      )}
    </p>
  );
}
