'use client';
import { Link } from '@/ui/link';
import { electrodeCondition } from '@/core/ph/electrode-condition';
import { electrodeLimits } from '@/core/ph/electrode-limits';
import { probeResults } from '@/core/probe/probe-result';
import { VerdictMark } from '@/ui/verdict-mark';
import type { Sheet } from './sheet';

const STATE = { good: 'within', caution: 'cannotTell', fail: 'outside' } as const;

/** What the electrode says of itself so far, from the millivolts in the buffers: before the last buffer is even poured. */
export function ProbeSoFar({ sheet }: { sheet: Sheet }) {
  const { run, view } = sheet;
  const results = probeResults({ procedure: view.procedure, state: run.state }).filter(
    (one) => (one.kind === 'pH' || one.kind === 'ion') && one.points.some((point) => point.millivolts !== undefined),
  );
  if (results.length === 0) return null;
  return (
    <section className="sheet mt-3 probe-so-far" aria-label="Electrode so far" data-testid="probe-so-far">
      {results.map((one) => {
        const judged =
          one.kind === 'pH' && one.offsetMv !== null
            ? electrodeCondition({
                electrode: { segments: one.segments, offsetMv: one.offsetMv },
                limits: electrodeLimits(run.state.started?.schools),
              })
            : null;
        return (
          <div key={one.channel}>
            <h2>
              {one.label}: electrode so far{' '}
              <Link className="fs-6 fw-normal" href={`/assets/${view.asset.id}/probe`}>
                earlier calibrations
              </Link>
            </h2>
            <ul className="list-unstyled d-flex flex-wrap gap-4 mb-1">
              {one.points.map((point) => (
                <li key={point.label}>
                  <span className="quiet small">{point.label}</span>{' '}
                  <span className="reading-fixed">{point.millivolts === undefined ? '—' : `${signed(point.millivolts)} mV`}</span>
                  {point.temperatureC !== undefined && (
                    <span className="quiet small"> at {point.temperatureC.toFixed(1)} °C</span>
                  )}
                </li>
              ))}
            </ul>
            <div className="d-flex flex-wrap gap-4 align-items-center">
              {one.segments.map((segment) => (
                <span key={segment.fromPH}>
                  slope {segment.fromPH.toFixed(0)} to {segment.toPH.toFixed(0)}{' '}
                  <strong className="mono">{segment.slopePercent.toFixed(1)} %</strong>
                </span>
              ))}
              {one.segments.length === 0 && one.kind === 'pH' && (
                <span className="quiet">One buffer: an offset, no slope yet.</span>
              )}
              {one.mvPerDecade !== null && (
                <span>
                  slope <strong className="mono">{signed(one.mvPerDecade)} mV</strong> a decade
                </span>
              )}
              {one.offsetMv !== null && (
                <span>
                  offset <strong className="mono">{signed(one.offsetMv)} mV</strong>
                </span>
              )}
              {judged && <VerdictMark state={STATE[judged.condition]} word={judged.condition} />}
            </div>
            {judged && judged.condition !== 'good' && (
              <p className="small mb-0 mt-1">
                {judged.reasons.find((reason) => reason.condition === judged.condition)?.sentence}
              </p>
            )}
          </div>
        );
      })}
    </section>
  );
}

const signed = (value: number) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(1)}`;
