'use client';
import { useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import { useReady } from '@/ui/use-ready';
import { IMPORT_KINDS, type ImportKind } from './import-fields';
import { MOST_COLUMNS, MOST_ROWS } from './schemas';
import { readFile, sendTable } from './send-table';
import '@/core/words/en/imports';

type Phase = { name: 'idle' } | { name: 'reading' } | { name: 'sending'; done: number; count: number };

/** A file is read here in the browser, then sent row by row: a large one can be followed and cancelled. */
export function NewImport() {
  const router = useRouter();
  const ready = useReady();
  const [kind, setKind] = useState<ImportKind>('instruments');
  const [file, setFile] = useState<File | null>(null);
  const [phase, setPhase] = useState<Phase>({ name: 'idle' });
  const [said, setSaid] = useState('');
  const cancel = useRef<AbortController>(undefined);
  const read = async (event: React.FormEvent) => {
    event.preventDefault();
    if (!file) return;
    const controller = (cancel.current = new AbortController());
    const { signal } = controller;
    setSaid('');
    setPhase({ name: 'reading' });
    try {
      const found = await readFile(file, signal);
      if ('why' in found) return setSaid(say(found.why));
      const { table } = found;
      const count = table.rows.length;
      if (count > MOST_ROWS) return setSaid(say({ code: 'import.rows', numbers: { count, most: MOST_ROWS } }));
      if (table.columns.length > MOST_COLUMNS)
        return setSaid(say({ code: 'import.wide', numbers: { count: table.columns.length, most: MOST_COLUMNS } }));
      setPhase({ name: 'sending', done: 0, count });
      const sent = await sendTable(
        { table, kind, fileName: file.name },
        { signal, progress: (done) => setPhase({ name: 'sending', done, count }) },
      );
      if ('message' in sent) return setSaid(sent.message);
      router.push(`/imports/${sent.batchId}${table.guessedLetters ? '?letters=guessed' : ''}`);
    } catch (error) {
      if (!signal.aborted) throw error;
      setSaid(say({ code: 'import.cancelled' }));
    } finally {
      setPhase({ name: 'idle' });
    }
  };
  const busy = phase.name !== 'idle';
  return (
    <Form onSubmit={read} className="sheet mb-3" noValidate>
      <div className="row align-items-end">
        <div className="col-md-4">
          <Field label={say({ code: 'import.kind' })}>
            <Form.Select value={kind} onChange={(event) => setKind(event.target.value as ImportKind)} disabled={busy}>
              {IMPORT_KINDS.map((one) => (
                <option key={one} value={one}>
                  {say({ code: `import.${one}` })}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-5">
          <Field label={say({ code: 'import.file' })}>
            <Form.Control
              type="file"
              accept=".csv,.txt,.tsv,.xlsx,.xlsm,.xls"
              disabled={busy}
              onChange={(event) => setFile((event.target as HTMLInputElement).files?.[0] ?? null)}
            />
          </Field>
        </div>
        <div className="col-md-3 mb-2 d-flex gap-2">
          <Button type="submit" disabled={!file || busy || !ready}>
            {say({ code: busy ? 'import.reading' : 'import.read' })}
          </Button>
          {busy && (
            <Button variant="plain" onClick={() => cancel.current?.abort()}>
              {say({ code: 'import.cancel' })}
            </Button>
          )}
        </div>
      </div>
      {phase.name === 'sending' && (
        <div role="status">
          <progress max={phase.count} value={phase.done} style={{ width: '100%' }} />
          {say({ code: 'import.sending', numbers: { done: phase.done, count: phase.count } })}
        </div>
      )}
      {said && (
        <p className="field-problem mb-0" role="alert">
          {said}
        </p>
      )}
    </Form>
  );
}
