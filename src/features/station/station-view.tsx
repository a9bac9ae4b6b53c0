'use client';
import { useState } from 'react';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { attempt } from '@/platform/client/result';
import { dayTime } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { dryRunAction, makeStationRecordAction, takeLogAction } from './actions';
import type { DryRow, EntryView, RowVerdict } from './server';
import '@/core/words/en/station';

const MARK: Record<RowVerdict, { state: 'within' | 'outside' | 'cannotTell' | 'notMeasured'; word: string }> = {
  good: { state: 'within', word: 'good' },
  broken: { state: 'outside', word: 'broken' },
  doubtful: { state: 'cannotTell', word: 'doubtful' },
  unknown: { state: 'cannotTell', word: 'unknown instrument' },
  duplicate: { state: 'notMeasured', word: 'known already' },
};

/** What cannot be taken stands first: it is what somebody has to look at. */
const ORDER: RowVerdict[] = ['broken', 'doubtful', 'unknown', 'good', 'duplicate'];

/** A station's log: first what would come of it, row by row; then the good rows are taken. */
export function StationView({ entries, zone, may }: { entries: EntryView[]; zone: string; may: boolean }) {
  const router = useRouter();
  const [file, setFile] = useState('pasted');
  const [text, setText] = useState('');
  const [rows, setRows] = useState<DryRow[] | null>(null);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);
  const look = async (given: string) => {
    setBusy(true);
    setMessage('');
    const answer = await attempt(() => dryRunAction({ text: given }));
    setBusy(false);
    if (answer.ok) setRows(answer.value);
    else setMessage(answer.fields.text ?? answer.message);
  };
  const choose = async (event: React.ChangeEvent<HTMLInputElement>) => {
    const chosen = event.target.files?.[0];
    if (!chosen) return;
    const given = await chosen.text();
    setFile(chosen.name);
    setText(given);
    await look(given);
  };
  const good = rows?.filter((one) => one.verdict === 'good') ?? [];
  const take = async () => {
    setBusy(true);
    const answer = await attempt(() => takeLogAction({ text, file, lines: good.map((one) => one.line) }));
    setBusy(false);
    if (!answer.ok) return setMessage(answer.message);
    const { taken, left, toBench } = answer.value;
    setMessage(`${taken} rows taken, ${left} left.${toBench.length ? ` On the bench list: ${toBench.join(', ')}.` : ''}`);
    setRows(null);
    setText('');
    router.refresh();
  };
  return (
    <>
      {may && (
        <div className="sheet mb-3">
          <h2>Take in a log</h2>
          <p className="quiet mb-2">CSV with a header line, or one JSON object a line. Nothing is written before you say so.</p>
          <div className="d-flex flex-wrap gap-3 align-items-start">
            <Form.Control
              type="file"
              accept=".csv,.jsonl,.json,.txt"
              aria-label="Log file"
              style={{ maxWidth: '22rem' }}
              onChange={choose}
            />
            <Form.Control
              as="textarea"
              rows={2}
              aria-label="Or paste its lines"
              placeholder="or paste its lines here"
              className="mono"
              style={{ flex: '1 1 20rem' }}
              value={text}
              onChange={(event) => {
                setText(event.target.value);
                setFile('pasted');
                setRows(null);
              }}
            />
            <Button disabled={busy || !text.trim()} variant="plain" onClick={() => look(text)}>
              Look at it
            </Button>
          </div>
          {message && (
            <p className="notice mt-2 mb-0" role="status">
              {message}
            </p>
          )}
          {rows && <DryTable rows={rows} onTake={take} good={good.length} busy={busy} zone={zone} />}
        </div>
      )}
      <Entries entries={entries} zone={zone} may={may} onMessage={setMessage} />
    </>
  );
}

function DryTable({
  rows,
  good,
  onTake,
  busy,
  zone,
}: {
  rows: DryRow[];
  good: number;
  onTake: () => void;
  busy: boolean;
  zone: string;
}) {
  const count = (verdict: RowVerdict) => rows.filter((one) => one.verdict === verdict).length;
  return (
    <div className="mt-3" data-testid="dry-run">
      <p className="mb-2">
        {say({
          code: 'station.found',
          numbers: {
            rows: String(rows.length),
            good: String(good),
            known: String(count('duplicate')),
            unknown: String(count('unknown')),
            doubtful: String(count('doubtful')),
            broken: String(count('broken')),
          },
        })}
      </p>
      <div style={{ maxHeight: '22rem', overflowY: 'auto' }}>
        <table className="table mb-0">
          <thead>
            <tr>
              <th>Line</th>
              <th>Verdict</th>
              <th>When</th>
              <th>Instrument</th>
              <th>What</th>
              <th>Why</th>
            </tr>
          </thead>
          <tbody>
            {[...rows]
              .sort((a, b) => ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict) || a.line - b.line)
              .map((one) => (
                <tr key={one.line} data-testid={`row-${one.line}`}>
                  <td className="mono">{one.line}</td>
                  <td className="text-nowrap">
                    <VerdictMark {...MARK[one.verdict]} />
                  </td>
                  <td className="text-nowrap">{one.row ? dayTime(one.row.at, zone) : '—'}</td>
                  <td>
                    {one.row ? (
                      <>
                        {one.row.maker} {one.row.model} <span className="mono">{one.row.serial}</span>{' '}
                        {one.customer && <span className="quiet small">{one.customer}</span>}
                      </>
                    ) : (
                      '—'
                    )}
                  </td>
                  <td>{one.row ? `${one.row.kind}, ${one.row.passed ? 'passed' : 'failed'}` : '—'}</td>
                  <td className="small">
                    {one.why}
                    {one.verdict === 'unknown' && one.row && (
                      <>
                        {' '}
                        <Link href={`/receive?serial=${encodeURIComponent(one.row.serial)}`}>Make it</Link>
                      </>
                    )}
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
      </div>
      <Button className="mt-3" disabled={busy || good === 0} onClick={onTake}>
        {say({ code: 'station.take', numbers: { good: String(good) } })}
      </Button>
    </div>
  );
}

function Entries({
  entries,
  zone,
  may,
  onMessage,
}: {
  entries: EntryView[];
  zone: string;
  may: boolean;
  onMessage: (message: string) => void;
}) {
  const router = useRouter();
  const record = async (entryId: string) => {
    const answer = await attempt(() => makeStationRecordAction({ entryId }));
    if (answer.ok) router.push(`/approve/${answer.value.run}`);
    else onMessage(answer.message);
  };
  return (
    <div className="sheet">
      <h2>Taken in</h2>
      {entries.length === 0 ? (
        <div className="empty">
          Nothing yet. What a docking station bumps and calibrates stands here and in the history of each instrument.
        </div>
      ) : (
        <table className="table mb-0">
          <thead>
            <tr>
              <th>When</th>
              <th>Station</th>
              <th>Instrument</th>
              <th>What</th>
              <th>Result</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {entries.map((one) => (
              <tr key={one.id}>
                <td className="text-nowrap">{dayTime(one.at, zone)}</td>
                <td>{one.station}</td>
                <td>
                  <Link className="row-link" href={`/assets/${one.assetId}`}>
                    {one.maker} <span className="mono">{one.serial}</span>
                  </Link>
                </td>
                <td>
                  {one.kind}{' '}
                  <span className="quiet small">
                    gas {one.gases.map((gas) => gas.lot).join(', ')}
                    {one.intervalDays !== null && `; calibrates every ${one.intervalDays} days`}
                  </span>
                </td>
                <td>
                  <VerdictMark state={one.passed ? 'within' : 'outside'} word={one.passed ? 'passed' : 'failed'} />
                </td>
                <td className="text-end">
                  {one.runId && <Link href={`/runs/${one.runId}`}>{say({ code: 'station.seeRecord' })}</Link>}
                  {may && !one.runId && (
                    <Button size="sm" variant="plain" onClick={() => record(one.id)}>
                      {say({ code: 'station.makeRecord' })}
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
