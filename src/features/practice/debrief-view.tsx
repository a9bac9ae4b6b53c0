'use client';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { didSentence, findingSentence } from './finding-sentence';
import { newSeed } from './practice-home';
import type { AttemptPage } from './server/list-practice';
import type { DebriefLine } from '@/core/practice/debrief';
import '@/core/words/en/practice';
import '@/core/words/en/practice-debrief';
import '@/core/words/en/practice-exercise';

/** What was done step by step beside what a master does, and what cost points with its reason. */
export function DebriefView({ page: { one, person }, model, zone }: { page: AttemptPage; model: string | null; zone: string }) {
  const router = useRouter();
  const { points, findings, debrief, hidden } = one;
  const again = (seed: number) =>
    router.push(
      one.exerciseId
        ? `/practice/do?kind=own&own=${one.exerciseId}&seed=0`
        : `/practice/do?kind=${one.kind}&model=${model ?? ''}&seed=${seed}`,
    );
  const several = new Set(debrief.map((row) => row.place)).size > 1;
  return (
    <>
      <div className="sheet mb-3 d-flex flex-wrap gap-4 align-items-baseline" data-testid="score">
        <span className="fs-2 fw-bold mono">{points === null ? '–' : say({ code: 'practice.points', numbers: { points } })}</span>
        {points === null && <span>{say({ code: 'practice.noPoints' })}</span>}
        <span>
          {hidden.length
            ? say({
                code: 'practice.hiddenWas',
                numbers: { what: hidden.map((each) => say({ code: `practice.fault.${each.fault}` })).join(', ') },
              })
            : one.kind === 'findFault' && say({ code: 'practice.hiddenNothing' })}
        </span>
        <span className="quiet">
          {say({
            code: 'practice.times',
            numbers: { own: Math.round(Number(one.seconds)), master: Math.round(Number(one.masterSeconds)) },
          })}
        </span>
        {Number(one.masterLitres) > 0 && (
          <span className="quiet">
            {say({
              code: 'practice.gas',
              numbers: { own: Number(one.litres).toFixed(2), master: Number(one.masterLitres).toFixed(2) },
            })}
          </span>
        )}
        <span className="quiet">
          {say({ code: 'practice.asOf', numbers: { who: person, when: dayTime(one.endedAt.toISOString(), zone) } })}
        </span>
        <span className="ms-auto d-flex gap-2">
          <Button variant="plain" onClick={() => again(one.seed)} disabled={!one.exerciseId && !model}>
            {say({ code: 'practice.again' })}
          </Button>
          {!one.exerciseId && model && <Button onClick={() => again(newSeed())}>{say({ code: 'practice.next' })}</Button>}
        </span>
      </div>
      <section className="sheet mb-3">
        <h2 className="fs-5">{say({ code: 'practice.lost' })}</h2>
        {findings.length === 0 ? (
          <p className="mb-0">{say({ code: 'practice.nothingLost' })}</p>
        ) : (
          <ul className="list-unstyled mb-0" data-testid="findings">
            {findings.map((each, index) => (
              <li key={index} data-finding={each.code}>
                <span className="mono fw-bold d-inline-block" style={{ width: '3rem' }}>
                  {say({ code: 'practice.minus', numbers: { points: each.points } })}
                </span>
                {findingSentence(each)}
              </li>
            ))}
          </ul>
        )}
      </section>
      <div className="sheet">
        <table className="table mb-0" data-testid="debrief">
          <thead>
            <tr>
              <th style={{ width: '22%' }}>{say({ code: 'practice.step' })}</th>
              <th>{say({ code: 'practice.you' })}</th>
              <th>{say({ code: 'practice.master' })}</th>
            </tr>
          </thead>
          <tbody>
            {debrief.map((row) => (
              <tr key={`${row.place}/${row.step}`}>
                <td>
                  {several && <strong>{row.place} </strong>}
                  {row.title || say({ code: 'practice.allDone' })}
                </td>
                <td>
                  <Lines lines={row.own} marked />
                </td>
                <td className="quiet">
                  <Lines lines={row.master} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function Lines({ lines, marked = false }: { lines: readonly DebriefLine[]; marked?: boolean }) {
  if (lines.length === 0) return <span className="quiet">–</span>;
  return (
    <ul className="list-unstyled mb-0 small">
      {lines.map((line, index) => (
        <li key={index} className={marked && line.findings.length ? 'field-problem' : undefined}>
          <span className="mono quiet">{line.seconds} s</span> {didSentence(line.what)}
          {line.refused && <span className="d-block">{line.refused}</span>}
        </li>
      ))}
    </ul>
  );
}
