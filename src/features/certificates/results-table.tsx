'use client';
import { inSentence } from '@/core/words/in-sentence';
import { Fragment, useState } from 'react';
import type { JudgedText, ResultText } from '@/core/certificate/version-2';
import type { VerdictState } from '@/core/record/judgement';
import { BudgetView } from '@/ui/budget-view';
import { signed } from '@/ui/format';
import { ToleranceRuler } from '@/ui/tolerance-ruler';
import { VerdictMark } from '@/ui/verdict-mark';

const SIDES = [
  ['found', 'As found'],
  ['left', 'As left'],
] as const;
const STATE: Record<JudgedText['verdict'], VerdictState> = {
  within: 'within',
  outside: 'outside',
  cannotTell: 'cannotTell',
  notJudged: 'notMeasured',
};

/** Results as found and as left, each with its own reference, limits and uncertainty; a press on U opens its budget. */
export function ResultsTable({ results, guarded }: { results: ResultText[]; guarded: boolean }) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <table className="table mb-0 results-table">
      <thead>
        <tr>
          <th>Channel and point</th>
          <th />
          <th className="text-end">Reading</th>
          <th className="text-end">Reference</th>
          <th>Unit</th>
          <th style={{ width: '26%' }}>Deviation on the tolerance</th>
          <th className="text-end">Deviation</th>
          <th className="text-end">U (k)</th>
          <th>Verdict</th>
        </tr>
      </thead>
      <tbody>
        {results.map((line) => {
          const sides = SIDES.filter(([side]) => line[side]);
          const name = (
            <td rowSpan={Math.max(1, sides.length)}>
              <strong>{line.label}</strong> <span className="quiet">{inSentence(line.point)}</span>
              {line.note && <div className="small quiet">{line.note}</div>}
            </td>
          );
          if (sides.length === 0)
            return (
              <tr key={`${line.channel}/${line.point}`}>
                {name}
                <td colSpan={8} className="quiet">
                  not measured
                </td>
              </tr>
            );
          return sides.map(([side, word], index) => {
            const judged = line[side]!;
            const key = `${line.channel}/${line.point}/${side}`;
            return (
              <Fragment key={key}>
                <tr
                  className={index === 0 && sides.length > 1 ? 'result-side' : ''}
                  data-testid={`result-${line.label}-${line.point}-${side}`}
                >
                  {index === 0 && name}
                  <td className="quiet text-nowrap">{word}</td>
                  <td className="reading-fixed text-end">{judged.reading}</td>
                  <td className="mono text-end" title={judged.basis}>
                    {judged.reference ?? '—'}
                  </td>
                  <td className="quiet">{line.unit.shown}</td>
                  <td>
                    {judged.limits && judged.deviation !== null && Number(judged.limits.upper) > 0 && (
                      <ToleranceRuler
                        name={`${line.label} ${line.point} ${word}`}
                        unit={line.unit.shown}
                        tolerance={Number(judged.limits.upper)}
                        expanded={judged.expanded ? Number(judged.expanded) : null}
                        guarded={guarded}
                        marks={[
                          {
                            error: Number(judged.deviation),
                            state: STATE[judged.verdict],
                            hollow: side === 'found',
                            label: word.toLowerCase(),
                          },
                        ]}
                      />
                    )}
                  </td>
                  <td className="mono text-end">{signed(judged.deviation)}</td>
                  <td className="mono text-end text-nowrap">
                    {judged.expanded ? (
                      <button
                        type="button"
                        className="open-budget"
                        aria-expanded={open === key}
                        aria-label={`Budget of ${line.label}, ${line.point}, ${word}`}
                        onClick={() => setOpen(open === key ? null : key)}
                      >
                        {judged.expanded} ({judged.k})
                      </button>
                    ) : (
                      '—'
                    )}
                  </td>
                  <td>
                    <VerdictMark
                      state={STATE[judged.verdict]}
                      {...(judged.verdict === 'notJudged' ? { word: 'not judged' } : {})}
                    />
                    {judged.why && <div className="small quiet">{judged.why}</div>}
                  </td>
                </tr>
                {open === key && judged.standard && judged.expanded && (
                  <tr>
                    <td colSpan={9}>
                      <BudgetView
                        budget={judged.budget}
                        standard={judged.standard}
                        k={judged.k ?? ''}
                        kReason={judged.kReason}
                        effectiveDof={judged.effectiveDof}
                        coverage={judged.coverage}
                        expanded={judged.expanded}
                        unit={line.unit.shown}
                      />
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          });
        })}
      </tbody>
    </table>
  );
}
