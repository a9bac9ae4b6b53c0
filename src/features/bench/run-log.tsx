'use client';
import { useState } from 'react';
import type { RunState } from '@/core/run/state';
import { signed, timeOfDay } from '@/ui/format';
import type { LiveRun } from './use-run';
import type { RunView } from './server/run-view';
import { tryWord } from '@/core/run/try-word';

interface Entry {
  seq: number;
  at: string;
  text: string;
  struck: string | null;
  strikable: boolean;
}
const PHASE = { asFound: 'as found', adjustment: 'while adjusting', check: 'check', asLeft: 'as left' };

/** What was recorded, newest first. A wrong entry is struck out with a reason; it stays readable. */
export function RunLog({ run, view, zone }: { run: LiveRun; view: RunView; zone: string }) {
  const [striking, setStriking] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState('');
  const strike = async (event: React.FormEvent) => {
    event.preventDefault();
    if (reason.trim().length < 3) return setProblem('Say in a few words why.');
    const refused = await run.send({ type: 'strike', seq: striking!, reason: reason.trim() });
    if (refused) return setProblem(refused.sentence);
    setStriking(null);
    setReason('');
    setProblem('');
  };
  const entries = entriesOf(run.state, view);
  return (
    <div className="sheet mt-3">
      <h2>On record</h2>
      {entries.length === 0 && (
        <p className="quiet mb-0">Nothing yet. Every reading, adjustment and reference is listed here with its time.</p>
      )}
      <div style={{ maxHeight: '21rem', overflowY: 'auto' }} tabIndex={0} role="group" aria-label="Entries, newest first">
        {entries.map((entry) => (
          <div key={entry.seq}>
            <div className="log-line">
              <time className="mono small">{timeOfDay(entry.at, zone)}</time>
              <span className={entry.struck ? 'struck' : ''}>{entry.text}</span>
              {entry.strikable && !entry.struck && run.state.status === 'open' && (
                <button
                  type="button"
                  className="btn btn-link btn-sm p-0"
                  onClick={() => {
                    setStriking(entry.seq);
                    setProblem('');
                  }}
                >
                  strike
                </button>
              )}
            </div>
            {entry.struck && <div className="small quiet ps-5">struck out: {entry.struck}</div>}
            {striking === entry.seq && (
              <form onSubmit={strike} className="d-flex gap-2 my-1">
                <input
                  className="form-control form-control-sm"
                  autoFocus
                  aria-label="Reason for striking out"
                  placeholder="Why is it wrong?"
                  value={reason}
                  onChange={(event) => setReason(event.target.value)}
                />
                <button className="btn btn-sm btn-outline-danger" type="submit">
                  Strike out
                </button>
                <button className="btn btn-sm btn-plain" type="button" onClick={() => setStriking(null)}>
                  Leave
                </button>
              </form>
            )}
            {striking === entry.seq && problem && (
              <div className="field-problem" role="alert">
                {problem}
              </div>
            )}
          </div>
        ))}
      </div>
    </div>
  );
}

function entriesOf(state: RunState, view: RunView): Entry[] {
  const label = (id: string) => state.channels.find((channel) => channel.id === id)?.label ?? id;
  const point = (id: string) => view.procedure.points.find((one) => one.id === id)?.label.toLowerCase() ?? id;
  return [
    ...state.readings.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `${label(entry.channel)} ${entry.reading.text} ${entry.reading.unit}, ${point(entry.point)}, ${PHASE[entry.phase]}${entry.judgement.error && entry.counts ? ` (${signed(entry.judgement.error)})` : ''}`,
      struck: entry.flags[0]?.reason ?? null,
      strikable: true,
    })),
    ...state.adjustments.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `${entry.action} ${entry.channels.map(label).join(', ')}: ${entry.outcome}${entry.iteration > 1 ? `, ${tryWord(entry.iteration)}` : ''}`,
      struck: entry.struck ? 'struck out' : null,
      strikable: true,
    })),
    ...state.bindings.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `${entry.reference.name}, lot ${entry.reference.lot}`,
      struck: entry.struck?.reason ?? null,
      strikable: true,
    })),
    ...state.stimuli.flatMap((span): Entry[] => [
      { seq: span.onSeq, at: span.onAt, text: stimulusWord(view, span.slot, span.means, true), struck: null, strikable: false },
      ...(span.offAt
        ? [
            {
              seq: span.offSeq!,
              at: span.offAt,
              text: `gas off${span.litres ? `, ${span.litres} L` : ''}`,
              struck: null,
              strikable: false,
            },
          ]
        : []),
    ]),
    ...state.saves.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `saved on the instrument: ${entry.outcome}`,
      struck: null,
      strikable: false,
    })),
    ...state.deviations.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `deviation: ${entry.what} (${entry.reason})`,
      struck: null,
      strikable: false,
    })),
    ...state.decisions.map((entry): Entry => ({
      seq: entry.seq,
      at: entry.at,
      text: `decided${entry.channel ? ` for ${label(entry.channel)}` : ''}: ${entry.option}`,
      struck: null,
      strikable: false,
    })),
    ...state.sentBack.map((entry, index): Entry => ({
      seq: 1e6 + index,
      at: entry.at,
      text: `sent back: ${entry.note}`,
      struck: null,
      strikable: false,
    })),
  ].sort((a, b) => b.at.localeCompare(a.at) || b.seq - a.seq);
}

function stimulusWord(view: RunView, slot: string, means: string, on: boolean): string {
  const found = view.procedure.slots.find((one) => one.id === slot);
  if (found?.kind === 'gas') return on ? 'gas on' : 'gas off';
  return found?.kind === 'buffer' || found?.kind === 'standard'
    ? on
      ? `into ${found.label}`
      : `out of ${found.label}, rinsed`
    : `${means}: ${on ? 'on' : 'off'}`;
}
