'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import ProgressBar from 'react-bootstrap/ProgressBar';
import { useKeys } from '@/ui/use-keys';
import { figure } from './calculator';
import { CalculatorFieldView } from './calculator-field-view';
import { toQuery, type Entry } from './evaluate';
import { SIMULATION, simulationRequest } from './simulation-request';
import { useSimulation } from './use-simulation';

/** The simulation: a million draws in the background, with progress and a way to stop it. */
export function SimulationSheet({ initial }: { initial: Entry }) {
  const [entry, setEntry] = useState(initial);
  const [problem, setProblem] = useState<{ field: string | null; sentence: string } | null>(null);
  const { state, run, cancel } = useSimulation();
  const change = (next: Entry) => {
    setEntry(next);
    setProblem(null);
    window.history.replaceState(null, '', `/calculators?${toQuery(SIMULATION, next)}`);
  };
  const start = () => {
    const asked = simulationRequest(entry);
    if ('problem' in asked) return setProblem(asked.problem);
    setProblem(null);
    run(asked.request);
  };
  useKeys({ n: start, x: cancel });
  const running = state.phase === 'running';
  return (
    <section className="sheet calculator" aria-label={SIMULATION.title}>
      <h2>{SIMULATION.title}</h2>
      <div className="calculator-columns">
        <div>
          {SIMULATION.fields.map((field) => (
            <CalculatorFieldView
              key={field.id}
              field={field}
              entry={entry}
              problem={problem?.field === field.id ? problem.sentence : undefined}
              onText={(text) => change({ ...entry, texts: { ...entry.texts, [field.id]: text } })}
              onUnit={() => undefined}
            />
          ))}
        </div>
        <div className="calculator-result" aria-live="polite" data-testid="result">
          <div className="d-flex flex-wrap gap-2 mb-3">
            <Button onClick={start} disabled={running}>
              Draw <kbd>N</kbd>
            </Button>
            <Button variant="plain" onClick={cancel} disabled={!running}>
              Stop <kbd>X</kbd>
            </Button>
          </div>
          {problem && !problem.field && <p className="field-problem">{problem.sentence}</p>}
          {running && (
            <>
              <ProgressBar now={state.done} max={state.draws} aria-label="Draws done" />
              <p className="small quiet mt-1">
                {state.done} of {state.draws}
              </p>
            </>
          )}
          {state.phase === 'refused' && <p className="field-problem">{state.message}</p>}
          {state.phase === 'cancelled' && <p className="quiet">Stopped after {state.done} draws; no result.</p>}
          {state.phase === 'idle' && <p className="quiet">Nothing drawn yet. The same seed gives the same result.</p>}
          {state.phase === 'done' && (
            <dl>
              {(
                [
                  ['Mean', state.result.mean],
                  ['Standard uncertainty', state.result.standard],
                  ['Interval from', state.result.low],
                  ['to', state.result.high],
                ] as const
              ).map(([label, value]) => (
                <div key={label}>
                  <dt>{label}</dt>
                  <dd className="reading-fixed">{figure(value, 5)}</dd>
                </div>
              ))}
            </dl>
          )}
        </div>
      </div>
      <p className="calculator-source">{SIMULATION.source}</p>
    </section>
  );
}
