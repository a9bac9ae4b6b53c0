'use client';
import { useCallback, useEffect, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { Folded } from '@/ui/folded';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { correctAssetAction, findOwnersAction, giveToCustomerAction } from './actions';
import '@/core/words/en/assets';

export interface Identity {
  serial: string;
  tag: string;
  modelId: string;
}
export interface ModelChoice {
  id: string;
  maker: string;
  name: string;
  kind: string;
}

/** What was misread at the counter, put right. Folded until somebody wants it. */
export function CorrectAsset({ assetId, on, models }: { assetId: string; on: Identity; models: ModelChoice[] }) {
  const router = useRouter();
  const [seen, setSeen] = useState(on);
  const [given, setGiven] = useState({ ...on, why: '' });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => correctAssetAction({ assetId, seen, ...given }));
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? '' : messageBeside(result));
    if (result.ok) {
      setSeen({ serial: given.serial.trim(), tag: given.tag.trim(), modelId: given.modelId });
      setGiven({ ...given, why: '' });
    } else if (result.code === 'changedMeanwhile') setSeen(on);
    router.refresh();
  };
  const text = (name: 'serial' | 'tag' | 'why', label: string) => (
    <Field label={label} problem={problems[name]}>
      <Form.Control
        autoComplete="off"
        className={name === 'why' ? '' : 'mono'}
        placeholder={name === 'why' ? say({ code: 'assetEdit.whyExample' }) : undefined}
        value={given[name]}
        onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
      />
    </Field>
  );
  return (
    <Folded summary={say({ code: 'assetEdit.correct' })} testId="correct-asset">
      {() => (
        <form onSubmit={send} noValidate className="mt-2">
          <div className="row">
            <div className="col-md-3">{text('serial', say({ code: 'assetEdit.serial' }))}</div>
            <div className="col-md-2">{text('tag', say({ code: 'assetEdit.tag' }))}</div>
            <div className="col-md-4">
              <Field label={say({ code: 'assetEdit.model' })} problem={problems.modelId}>
                <Form.Select value={given.modelId} onChange={(event) => setGiven({ ...given, modelId: event.target.value })}>
                  {models.map(({ id, maker, name, kind }) => (
                    <option key={id} value={id}>
                      {maker} {name}, {kind}
                    </option>
                  ))}
                </Form.Select>
              </Field>
            </div>
            <div className="col-md-3">{text('why', say({ code: 'assetEdit.why' }))}</div>
          </div>
          <p className="quiet small mb-2">{say({ code: 'assetEdit.how' })}</p>
          {message && (
            <p className="field-problem" role="alert">
              {message}
            </p>
          )}
          <Button type="submit" variant="plain">
            {say({ code: 'assetEdit.save' })}
          </Button>
        </form>
      )}
    </Folded>
  );
}

/** It was sold: whose it is from now on. */
export function NewOwner({ assetId, owner }: { assetId: string; owner: string }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const [why, setWhy] = useState('');
  const [hits, setHits] = useState<{ id: string; name: string }[]>([]);
  const [problem, setProblem] = useState('');
  const look = useCallback(async () => {
    if (text.trim().length < 2) return setHits([]);
    const result = await attempt(() => findOwnersAction({ text }));
    if (result.ok) setHits(result.value);
  }, [text]);
  useEffect(() => {
    const timer = window.setTimeout(() => void look(), 220);
    return () => window.clearTimeout(timer);
  }, [look]);
  const give = async (customerId: string) => {
    const result = await attempt(() => giveToCustomerAction({ assetId, customerId, why }));
    setProblem(result.ok ? '' : (result.fields.why ?? result.message));
    if (!result.ok) return;
    setText('');
    setWhy('');
    router.refresh();
  };
  return (
    <Folded summary={say({ code: 'owner.title' })} testId="new-owner">
      {() => (
        <>
          <p className="quiet small mb-1">{say({ code: 'owner.how', numbers: { name: owner } })}</p>
          <div className="row">
            <div className="col-md-4">
              <Field label={say({ code: 'owner.find' })}>
                <Form.Control autoComplete="off" value={text} onChange={(event) => setText(event.target.value)} />
              </Field>
            </div>
            <div className="col-md-4">
              <Field label={say({ code: 'assetEdit.why' })} problem={problem}>
                <Form.Control autoComplete="off" value={why} onChange={(event) => setWhy(event.target.value)} />
              </Field>
            </div>
          </div>
          <div className="d-flex flex-wrap gap-2">
            {hits.map(({ id, name }) => (
              <Button key={id} variant="plain" size="sm" onClick={() => void give(id)}>
                {say({ code: 'owner.give', numbers: { name } })}
              </Button>
            ))}
          </div>
        </>
      )}
    </Folded>
  );
}
