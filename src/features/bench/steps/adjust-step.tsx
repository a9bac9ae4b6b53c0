'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { PlannedStep } from '@/core/run/plan-node';
import { readPairs } from '@/core/run/read-pairs';
import { slotOf } from '../live/live-rules';
import { lookOf, type Sheet } from '../sheet';
import { spanValuesOf } from './span-values';

/** Zero or span on the instrument's own keys. What it says on its line is taken from there; without one it is said by hand, pass or fail. */
export function AdjustStep({ sheet, present }: { sheet: Sheet; present: PlannedStep }) {
  const { run, view, live } = sheet;
  const [raw, setRaw] = useState('');
  const [refused, setRefused] = useState<string[]>([]);
  const step = present.step;
  if (step.kind !== 'adjust') return null;
  const pairs = readPairs(step, step.together ? undefined : present.channel, view.procedure, run.state);
  const done = new Set(
    run.state.adjustments.filter((one) => one.step === present.key && !one.struck).flatMap((one) => one.channels),
  );
  const channels = [...new Set(pairs.map((pair) => pair.channel))].filter((id) => !done.has(id));
  const channelOf = (id: string) => run.state.channels.find((one) => one.id === id)!;
  const label = (id: string) => channelOf(id).label;
  const zero = step.action === 'zero' || step.action === 'quick' || step.action === 'fineZero';
  const values = spanValuesOf(view.procedure, run.state, step.points);
  const since = run.state.steps[present.key]?.enteredAt ?? '';
  const said = Object.fromEntries(channels.flatMap((id) => saidOf(sheet, id, zero, since)));
  const rawOf = (ids: string[]) =>
    Object.fromEntries(
      ids.flatMap((id) => {
        const look = lookOf({ view, live }, id);
        return look?.raw ? [[`raw:${id}`, look.raw]] : [];
      }),
    );
  const send = async (outcome: 'passed' | 'failed', ids: string[]) =>
    ids.length === 0
      ? null
      : run.send({
          type: 'adjust',
          step: present.key,
          channels: ids,
          outcome,
          readBack: {
            ...(raw.trim() ? { raw: raw.trim(), ...(ids.length === 1 ? { [`raw:${ids[0]}`]: raw.trim() } : {}) } : {}),
            ...(zero ? {} : rawOf(ids)),
          },
        });
  const passed = channels.filter((id) => said[id] === 'passed');
  const failed = channels.filter((id) => said[id] === 'failed');
  const heard = sheet.onLine && passed.length + failed.length === channels.length && channels.length > 0;
  // Those that passed first: what failed is what the next round is about.
  const takeSaid = async () => {
    if (await send('passed', passed)) return;
    await send('failed', failed);
  };
  const takeByHand = async () => {
    if (
      await send(
        'passed',
        channels.filter((id) => !refused.includes(id)),
      )
    )
      return;
    await send(
      'failed',
      channels.filter((id) => refused.includes(id)),
    );
  };
  return (
    <div>
      {zero ? (
        <p className="mb-2">{channels.map(label).join(', ')}</p>
      ) : (
        <ul className="list-unstyled d-flex flex-wrap gap-4 mb-2">
          {channels.map((id) => (
            <li key={id}>
              Set <strong>{label(id)}</strong> to{' '}
              {values[id] ? (
                <span className="reading-fixed fw-bold">
                  {values[id]} {channelOf(id).unit}
                </span>
              ) : (
                'the bottle’s value'
              )}
            </li>
          ))}
        </ul>
      )}
      {sheet.onLine && (
        <p className="mb-2" data-testid="instrument-says">
          {heard
            ? `The instrument says: ${[passed.length ? `${passed.map(label).join(', ')} passed` : '', failed.length ? `${failed.map(label).join(', ')} failed` : ''].filter(Boolean).join('; ')}.`
            : 'Press the keys on the instrument: what it says comes by the line.'}
        </p>
      )}
      <div className="d-flex flex-wrap gap-2 align-items-center">
        {heard ? (
          <Button data-main-action size="lg" disabled={run.busy} onClick={takeSaid}>
            Record it so <kbd>N</kbd>
          </Button>
        ) : (
          <>
            {channels.length > 1 && (
              <span className="btn-group" role="group" aria-label="Refused by the instrument">
                {channels.map((id) => (
                  <Button
                    key={id}
                    variant="plain"
                    active={refused.includes(id)}
                    aria-pressed={refused.includes(id)}
                    onClick={() => setRefused(refused.includes(id) ? refused.filter((one) => one !== id) : [...refused, id])}
                  >
                    {label(id)} {refused.includes(id) ? 'failed' : 'passed'}
                  </Button>
                ))}
              </span>
            )}
            <Button data-main-action size="lg" disabled={run.busy} onClick={takeByHand}>
              {refused.length ? 'Record it so' : 'Instrument says: passed'} <kbd>N</kbd>
            </Button>
            {channels.length === 1 && (
              <Button size="lg" variant="outline-danger" disabled={run.busy} onClick={() => send('failed', channels)}>
                Failed
              </Button>
            )}
          </>
        )}
        {!zero && !sheet.onLine && (
          <Form.Control
            className="mono"
            style={{ width: '14rem' }}
            aria-label="Raw sensor output"
            placeholder="raw output, if shown"
            value={raw}
            onChange={(event) => setRaw(event.target.value)}
          />
        )}
      </div>
    </div>
  );
}

/** What the instrument said of this channel since the step was entered. */
function saidOf({ view, live }: Sheet, channel: string, zero: boolean, since: string): [string, 'passed' | 'failed'][] {
  const slot = slotOf(view.match, channel);
  if (slot === null) return [];
  const words = zero ? { zeroed: 'passed', zeroFailed: 'failed' } : { spanned: 'passed', spanFailed: 'failed' };
  const last = live.notices.filter((one) => one.slot === slot && one.notice in words && one.at >= since).at(-1);
  return last ? [[channel, words[last.notice as keyof typeof words] as 'passed' | 'failed']] : [];
}
