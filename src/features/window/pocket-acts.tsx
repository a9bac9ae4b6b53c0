'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { OUTPUTS } from '@/core/instrument/output';
import { GONE, type Gone } from '@/core/record/gone';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import { sendToHouse } from './send';
import '@/core/words/en/certificate';
import '@/core/words/en/window';

/** Sends one thing to the house, and says that it is there. */
function useSend(kind: string) {
  const router = useRouter();
  const [state, setState] = useState({ busy: false, sent: false, message: '' });
  const send = async (what: object) => {
    setState({ busy: true, sent: false, message: '' });
    const result = await sendToHouse(kind, what);
    setState({ busy: false, sent: result.ok, message: result.ok ? '' : result.message });
    if (result.ok) router.refresh();
  };
  const said = (
    <>
      {state.message && (
        <p className="field-problem" role="alert">
          {state.message}
        </p>
      )}
      {state.sent && (
        <p className="notice" role="status">
          {say({ code: 'window.sent' })}
        </p>
      )}
    </>
  );
  return { send, busy: state.busy, said };
}

/** What a person with the instrument in hand may say of it. */
export function PocketActs({ assetId, bumped }: { assetId: string; bumped: boolean }) {
  return (
    <>
      {bumped && <LogBump assetId={assetId} />}
      <ReportFault assetId={assetId} />
      <NoLongerOurs assetId={assetId} />
    </>
  );
}

function LogBump({ assetId }: { assetId: string }) {
  const { send, busy, said } = useSend('bump');
  const [outputs, setOutputs] = useState<string[]>([...OUTPUTS]);
  const [note, setNote] = useState('');
  return (
    <section className="sheet mb-3" data-testid="log-bump">
      <h2>{say({ code: 'window.logBump' })}</h2>
      <fieldset className="d-flex flex-wrap gap-3 mb-2">
        <legend className="fs-6">{say({ code: 'window.bumpOutputs' })}</legend>
        {OUTPUTS.map((output) => (
          <Form.Check
            key={output}
            id={`works-${output}`}
            label={say({ code: `output.${output}` })}
            checked={outputs.includes(output)}
            onChange={(event) =>
              setOutputs(event.target.checked ? [...outputs, output] : outputs.filter((one) => one !== output))
            }
          />
        ))}
      </fieldset>
      <Field label={say({ code: 'window.bumpNote' })}>
        <Form.Control value={note} onChange={(event) => setNote(event.target.value)} />
      </Field>
      {said}
      <div className="d-flex gap-2">
        <Button size="lg" disabled={busy} onClick={() => send({ assetId, passed: true, outputs, note })}>
          {say({ code: 'window.bumpPassed' })}
        </Button>
        <Button
          size="lg"
          variant="outline-danger"
          disabled={busy}
          onClick={() => send({ assetId, passed: false, outputs, note })}
        >
          {say({ code: 'window.bumpFailed' })}
        </Button>
      </div>
    </section>
  );
}

function ReportFault({ assetId }: { assetId: string }) {
  const { send, busy, said } = useSend('fault');
  const [text, setText] = useState('');
  return (
    <details className="sheet mb-3" data-testid="report-fault">
      <summary>{say({ code: 'window.fault' })}</summary>
      <Field label={say({ code: 'window.faultWhat' })}>
        <Form.Control as="textarea" rows={2} value={text} onChange={(event) => setText(event.target.value)} />
      </Field>
      {said}
      <Button disabled={busy} onClick={() => send({ assetId, text })}>
        {say({ code: 'window.send' })}
      </Button>
    </details>
  );
}

function NoLongerOurs({ assetId }: { assetId: string }) {
  const { send, busy, said } = useSend('gone');
  const [what, setWhat] = useState<Gone>('sold');
  const [text, setText] = useState('');
  return (
    <details className="sheet mb-3" data-testid="no-longer-ours">
      <summary>{say({ code: 'window.gone' })}</summary>
      <div className="d-flex gap-3 mb-2">
        {GONE.map((one) => (
          <Form.Check
            key={one}
            type="radio"
            name="gone"
            id={`gone-${one}`}
            label={say({ code: `window.gone.${one}` })}
            checked={what === one}
            onChange={() => setWhat(one)}
          />
        ))}
      </div>
      <Field label={say({ code: 'window.goneWhat' })}>
        <Form.Control value={text} onChange={(event) => setText(event.target.value)} />
      </Field>
      {said}
      <Button variant="outline-danger" disabled={busy} onClick={() => send({ assetId, what, text })}>
        {say({ code: 'window.send' })}
      </Button>
    </details>
  );
}
