'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { VerdictMark } from '@/ui/verdict-mark';
import { addLineAction, removeLineAction } from './actions';
import { CorrectLine } from './correct-line';
import { SerialPanel } from './serial-button';
import type { ListedLine } from './server';
import '@/core/words/en/answers';

const KIND = {
  instrument: 'Instrument',
  tagReader: 'Tag reader',
  barometer: 'Barometer',
  flowMeter: 'Flow meter',
  thermometer: 'Thermometer',
  hygrometer: 'Hygrometer',
};

/** Devices on a line: what they said they are, whether they are there, what was dropped. */
export function DevicesView({ lines, may, mayAdd }: { lines: ListedLine[]; may: boolean; mayAdd: boolean }) {
  const router = useRouter();
  const remove = async (id: string) => {
    await attempt(() => removeLineAction({ id }));
    router.refresh();
  };
  return (
    <>
      <div className="sheet">
        {lines.length === 0 ? (
          <div className="empty">No device is on a line. Readings are typed; a line makes them come by themselves.</div>
        ) : (
          <table className="table mb-0">
            <thead>
              <tr>
                <th>Device</th>
                <th>Says it is</th>
                <th>State</th>
                <th>Dropped</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => (
                <tr key={line.id} data-testid={`line-${line.serial}`}>
                  <td>
                    <strong>{line.name}</strong> <span className="quiet">{KIND[line.kind]}</span>
                    {line.via === 'browser' && <span className="quiet small d-block">serial port of a workshop screen</span>}
                  </td>
                  <td>
                    {line.hello ? (
                      <>
                        {line.hello.maker} {line.hello.model} <span className="mono">{line.hello.serial}</span>{' '}
                        <span className="quiet small">firmware {line.hello.firmware}</span>
                      </>
                    ) : (
                      <span className="quiet">nothing yet</span>
                    )}
                  </td>
                  <td>
                    {line.state === 'connected' ? (
                      <VerdictMark state="within" word="connected" />
                    ) : (
                      <VerdictMark state="notMeasured" word={`away: ${line.reason || 'not connected'}`} />
                    )}
                  </td>
                  <td>
                    {line.dropped > 0 ? (
                      <>
                        <span className="mono">{line.dropped}</span> <span className="quiet small">{line.droppedWhy}</span>
                      </>
                    ) : (
                      '—'
                    )}
                  </td>
                  <td className="text-end">
                    {mayAdd && (
                      <>
                        {line.via === 'tcp' && <CorrectLine line={line} />}
                        <Button variant="plain" size="sm" onClick={() => remove(line.id)}>
                          {say({ code: 'line.remove' })}
                        </Button>
                      </>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
      {may && <SerialPanel />}
      {mayAdd ? <NewLine /> : may && <p className="quiet mt-3">An administrator puts a device with an address on the list.</p>}
    </>
  );
}

const EMPTY = { kind: 'instrument', name: '', host: '127.0.0.1', port: '', panelPort: '' };

function NewLine() {
  const router = useRouter();
  const [form, setForm] = useState(EMPTY);
  const [fields, setFields] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const change = (name: keyof typeof EMPTY) => (event: { target: { value: string } }) =>
    setForm({ ...form, [name]: event.target.value });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const answer = await attempt(() =>
      addLineAction({ ...form, port: form.port || undefined, panelPort: form.panelPort || null }),
    );
    setFields(answer.ok ? {} : answer.fields);
    setMessage(answer.ok || Object.keys(answer.fields).length ? '' : answer.message);
    if (!answer.ok) return;
    setForm(EMPTY);
    router.refresh();
  };
  return (
    <form className="sheet mt-3" onSubmit={send} noValidate>
      <h2>Another device</h2>
      <div className="row g-3">
        <div className="col-sm-3">
          <Field label="Kind">
            <Form.Select value={form.kind} onChange={change('kind')}>
              {Object.entries(KIND).map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-sm-3">
          <Field label="Name" problem={fields.name}>
            <Form.Control value={form.name} onChange={change('name')} />
          </Field>
        </div>
        <div className="col-sm-3">
          <Field label="Address" problem={fields.host}>
            <Form.Control className="mono" value={form.host} onChange={change('host')} />
          </Field>
        </div>
        <div className="col-sm-3">
          <Field label="Port" problem={fields.port}>
            <Form.Control className="mono" inputMode="numeric" value={form.port} onChange={change('port')} />
          </Field>
        </div>
      </div>
      {message && (
        <p className="notice bad" role="alert">
          {message}
        </p>
      )}
      <Button type="submit">Put it on the list</Button>
    </form>
  );
}
