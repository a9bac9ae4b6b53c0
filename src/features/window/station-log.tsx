'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import { useReady } from '@/ui/use-ready';
import { sendToHouse } from './send';
import '@/core/words/en/window';

/** Characters of a log at most: years of a station. */
const MOST = 400_000;

/** The log of one's own docking station, as the station writes it. */
export function StationLog() {
  const router = useRouter();
  const ready = useReady();
  const [text, setText] = useState('');
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState({ text: '', bad: false });
  const choose = async (file: File | undefined) => {
    setSaid({ text: '', bad: false });
    const read = file ? await file.text() : '';
    setText(read.length > MOST ? '' : read);
    if (read.length > MOST) setSaid({ text: say({ code: 'window.logLarge' }), bad: true });
  };
  const send = async () => {
    setBusy(true);
    const result = await sendToHouse('stationLog', { text });
    setBusy(false);
    setSaid({ text: result.ok ? result.value : result.message, bad: !result.ok });
    if (result.ok) router.refresh();
  };
  return (
    <details className="sheet mb-3 no-print" data-testid="station-log">
      <summary>{say({ code: 'window.log' })}</summary>
      <Field label={say({ code: 'window.logFile' })} help={say({ code: 'window.logHow' })}>
        <Form.Control
          type="file"
          accept=".csv,.jsonl,.txt,text/csv"
          onChange={(event) => void choose((event.target as HTMLInputElement).files?.[0])}
        />
      </Field>
      <Button disabled={!ready || busy || text === ''} onClick={() => void send()}>
        {say({ code: 'window.send' })}
      </Button>
      {said.text && (
        <p className={said.bad ? 'field-problem mt-2 mb-0' : 'notice mt-2 mb-0'} role={said.bad ? 'alert' : 'status'}>
          {said.text}
        </p>
      )}
    </details>
  );
}
