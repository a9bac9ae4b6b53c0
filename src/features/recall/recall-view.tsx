import { say } from '@/core/words/say';
import { day, dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import type { JudgedAnew } from '@/core/results/judge-anew';
import type { VerdictState } from '@/core/record/judgement';
import type { Verdict } from '@/core/results/judged';
import { DecisionChoice } from './decision-choice';
import { LookAgain } from './look-again';
import { ReleaseForm, SaidForm } from './release-form';
import { DropForm } from './drop-form';
import type { SuspicionLine, SuspicionPage } from './server/read-suspicion';
import '@/core/words/en/recall';
import '@/core/words/en/recall-letter';

interface Props {
  page: SuspicionPage;
  counts: { results: number; changed: number };
  letters: { customerId: string; customer: string; body: string; onPaper: boolean; back: boolean }[];
  zone: string;
  may: boolean;
}

/** A suspicion: what is thought, what would change by it, what becomes of each document, and who is told what. */
export function RecallView({ page, counts, letters, zone, may }: Props) {
  const { suspicion: row, reference, entry, lines, others } = page;
  const open = row.endedAt === null;
  const decides = may && open && row.judgedAt !== null;
  const withdrawn = lines.filter((line) => line.decision === 'withdraw' && line.certificateId).length;
  return (
    <>
      <div className="page-head">
        <h1>{say({ code: 'recall.title', numbers: { name: reference.name, lot: reference.lot } })}</h1>
        <Link className="mono fs-5" href={`/register/${entry.id}`}>
          {entry.number}
        </Link>
        {row.endedAt && (
          <span className="notice mb-0">
            {say({
              code: row.ending === 'released' ? 'recall.released' : 'recall.endedUnfounded',
              numbers: { by: row.endedBy ?? '', at: dayTime(row.endedAt, zone) },
            })}
          </span>
        )}
      </div>
      <section className="sheet mb-3">
        <p className="fs-5 mb-1">{row.why}</p>
        <ul className="list-unstyled mb-2">
          {row.doubts.map((doubt) => {
            const component = reference.components.find((one) => one.substance === doubt.substance);
            const unit = component?.unit ?? '';
            const numbers = {
              substance: doubt.substance,
              certified: `${component?.value ?? ''} ${unit}`,
              thought: doubt.kind === 'unknown' ? '' : `${doubt.value} ${unit}`,
              shift: doubt.kind === 'unknown' ? '' : `${doubt.value} ${unit}`,
            };
            const code =
              doubt.kind === 'unknown'
                ? ('recall.thoughtUnknown' as const)
                : doubt.kind === 'shift'
                  ? ('recall.thoughtShift' as const)
                  : ('recall.thoughtLine' as const);
            return (
              <li key={doubt.substance} className="mono">
                {say({ code, numbers })}
              </li>
            );
          })}
        </ul>
        <p className="quiet mb-2">
          {say({
            code: 'recall.between',
            numbers: {
              from: row.fromDay ? day(row.fromDay) : say({ code: 'recall.ever' }),
              to: row.toDay ? day(row.toDay) : say({ code: 'recall.now' }),
            },
          })}{' '}
          · <Link href={`/shelf/${reference.id}`}>{reference.name}</Link> ·{' '}
          <Link href={`/trace?what=reference&of=${reference.id}`}>{say({ code: 'trace.link' })}</Link>
        </p>
        {row.judgedAt ? (
          <p className="fs-5 fw-semibold mb-0" data-testid="recall-summary">
            {say({ code: 'recall.summary', numbers: { runs: row.runs, ...counts } })}
          </p>
        ) : (
          open && <LookAgain judged={row.judged} runs={row.runs} problem={row.problem} />
        )}
      </section>
      {lines.length > 0 && (
        <section className="sheet mb-3">
          {open && <p className="quiet">{say({ code: 'recall.decisionHow' })}</p>}
          <div className="list-wide">
            <table className="table mb-0" data-testid="recall-lines">
              <thead>
                <tr>
                  <th>{say({ code: 'trace.instrument' })}</th>
                  <th>{say({ code: 'trace.value' })}</th>
                  <th className="text-end">{say({ code: 'trace.reading' })}</th>
                  <th>{say({ code: 'recall.was' })}</th>
                  <th>{say({ code: 'recall.would' })}</th>
                  <th>{say({ code: 'recall.decision' })}</th>
                </tr>
              </thead>
              {lines.map((line) => (
                <Instrument key={line.runId} line={line} id={row.id} decides={decides} />
              ))}
            </table>
          </div>
        </section>
      )}
      {row.judgedAt && lines.length === 0 && <p className="sheet">{say({ code: 'recall.nothing' })}</p>}
      {letters.length > 0 && (
        <section className="sheet mb-3" data-testid="recall-letters">
          <h2>{say({ code: 'recall.letters', numbers: { count: letters.length, documents: withdrawn } })}</h2>
          {decides && <SaidForm id={row.id} said={row.said} />}
          {letters.map((letter) => (
            <details key={letter.customerId}>
              <summary>
                {say({ code: 'recall.preview', numbers: { customer: letter.customer } })}{' '}
                <span className="quiet">{say({ code: letter.onPaper ? 'recall.toPrint' : 'recall.mailed' })}</span>
              </summary>
              <pre className="letter-text">{letter.body}</pre>
              {letter.back && (
                <Link className="btn btn-plain mb-2" href={`/bookings/new?customer=${letter.customerId}`}>
                  {say({ code: 'recall.bookFor', numbers: { customer: letter.customer } })}
                </Link>
              )}
            </details>
          ))}
        </section>
      )}
      {others.length > 0 && (
        <section className="sheet mb-3">
          <h2>{say({ code: 'recall.others' })}</h2>
          <p className="quiet">{say({ code: 'recall.othersHow' })}</p>
          <ul className="list-unstyled mb-0">
            {others.map((one) => (
              <li key={one.id}>
                <Link href={`/shelf/${one.id}`}>
                  {one.name} <span className="mono">{one.lot}</span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      {decides && lines.length > 0 && <ReleaseForm id={row.id} />}
      {may && open && <DropForm id={row.id} />}
    </>
  );
}

/** An instrument with the results that rest on it. */
function Instrument({ line, id, decides }: { line: SuspicionLine; id: string; decides: boolean }) {
  return (
    <tbody>
      {line.results.map((one, index) => (
        <tr key={`${one.channel}/${one.point}/${one.side}`}>
          {index === 0 && (
            <td rowSpan={line.results.length}>
              <Link href={`/runs/${line.runId}`}>
                {line.model} <span className="mono">{line.serial}</span>
              </Link>
              <div className="quiet small">{line.customer}</div>
              {line.certificateId && (
                <Link className="mono small" href={`/certificates/${line.certificateId}`}>
                  {line.number}
                </Link>
              )}{' '}
              {line.withdrawn && <strong className="small">{say({ code: 'trace.withdrawn' })}</strong>}
              {line.since && <div className="small">{say({ code: 'recall.since', numbers: { number: line.since } })}</div>}
            </td>
          )}
          <td>
            {one.label}, {one.pointLabel}, {say({ code: `recall.side.${one.side}` })}
          </td>
          <td className="mono text-end text-nowrap">
            {one.reading} {one.unit}
          </td>
          <td>
            <Side figures={one.was} />
          </td>
          <td>{one.would ? <Side figures={one.would} /> : <strong>{say({ code: 'recall.cannot' })}</strong>}</td>
          {index === 0 && (
            <td rowSpan={line.results.length} className="text-nowrap">
              {decides ? (
                <DecisionChoice id={id} runId={line.runId} decision={line.decision} />
              ) : (
                say({ code: `recall.decision.${line.decision}` })
              )}
            </td>
          )}
        </tr>
      ))}
    </tbody>
  );
}

const markOf = (verdict: Verdict): VerdictState => (verdict === 'notJudged' ? 'notMeasured' : verdict);

function Side({ figures }: { figures: JudgedAnew['was'] }) {
  return (
    <>
      <VerdictMark state={markOf(figures.verdict)} word={say({ code: `verdict.${figures.verdict}` })} />
      <div className="mono small quiet">
        {figures.deviation ?? '—'} / {figures.reference ?? '—'}
        {figures.limit && ` ± ${figures.limit}`}
      </div>
    </>
  );
}
