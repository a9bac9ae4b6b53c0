'use client';
import { useState } from 'react';
import { say } from '@/core/words/say';
import { timeOfDay } from '@/ui/format';
import { CorrectForm } from './lazy';
import { entriesOf } from './run-log-entries';
import type { LiveRun } from './use-run';
import type { RunView } from './server/run-view';
import '@/core/words/en/correct';

/** What was recorded, newest first. A wrong entry is struck out with a reason; it stays readable. */
export function RunLog({ run, view, zone }: { run: LiveRun; view: RunView; zone: string }) {
  const [striking, setStriking] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState('');
  const [correcting, setCorrecting] = useState<number | null>(null);
  // Before approval a wrong reading is struck and read again; afterwards the instrument may be long gone.
  const reopened = run.state.reopened.length > 0;
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
              {reopened && entry.reading && !entry.struck && run.state.status === 'open' && (
                <button type="button" className="btn btn-link btn-sm p-0 ms-2" onClick={() => setCorrecting(entry.seq)}>
                  {say({ code: 'bench.correct' })}
                </button>
              )}
            </div>
            {entry.struck && <div className="small quiet log-why">struck out: {entry.struck}</div>}
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
            {correcting === entry.seq && entry.reading && (
              <CorrectForm run={run} view={view} reading={entry.reading} done={() => setCorrecting(null)} />
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
