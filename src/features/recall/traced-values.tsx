import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import type { TracedBack, TracedValue } from './server/trace-back';
import '@/core/words/en/recall';
import '@/core/words/en/recall-letter';

/** Each value of a run, back to the certificate of its reference and to the entry that holds it. */
export function TracedValues({ traced, zone }: { traced: TracedBack; zone: string }) {
  return (
    <>
      <div className="list-wide sheet">
        <table className="table mb-0" data-testid="traced-values">
          <thead>
            <tr>
              <th>{say({ code: 'trace.value' })}</th>
              <th className="text-end">{say({ code: 'trace.reading' })}</th>
              <th>{say({ code: 'trace.reference' })}</th>
              <th>{say({ code: 'trace.certificate' })}</th>
              <th>{say({ code: 'trace.readBy' })}</th>
              <th>{say({ code: 'trace.entry' })}</th>
            </tr>
          </thead>
          <tbody>
            {traced.values.map((value) => (
              <Value key={`${value.seq}/${value.side}`} value={value} zone={zone} />
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet small mt-2">{say({ code: 'trace.end', numbers: { entries: traced.events, hash: traced.lastHash } })}</p>
    </>
  );
}

function Value({ value, zone }: { value: TracedValue; zone: string }) {
  const { judged, reference } = value;
  const verdict = judged.verdict === 'notJudged' ? 'notMeasured' : judged.verdict;
  return (
    <tr>
      <td>
        {value.label}, {value.point}
        <div className="quiet small">{say({ code: `recall.side.${value.side}` })}</div>
      </td>
      <td className="text-end text-nowrap">
        <span className="mono">
          {judged.reading.text} {value.unit}
        </span>
        <div>
          <VerdictMark state={verdict} word={say({ code: `verdict.${judged.verdict}` })} />
        </div>
      </td>
      <td>
        {reference ? (
          <Link href={`/shelf/${reference.id}`}>
            {reference.name} <span className="mono">{reference.lot}</span>
          </Link>
        ) : (
          judged.basis
        )}
        <div className="mono small quiet">
          {judged.reference ?? '—'} {value.unit}
          {judged.expanded && ` ± ${judged.expanded} (k = ${judged.k})`}
        </div>
      </td>
      <td>
        {reference && (
          <>
            {reference.certificate || '—'}
            <div className="quiet small">{[reference.issuer, reference.maker].filter(Boolean).join(' · ')}</div>
            {reference.files.map((file) => (
              <a key={file.id} className="small d-block" href={`/api/files/${file.id}`}>
                {file.name}
              </a>
            ))}
          </>
        )}
      </td>
      <td>
        {value.by}
        <div className="small">{dayTime(judged.at, zone)}</div>
        <div className="quiet small">
          {value.step} ·{' '}
          {value.seconds === null
            ? say({ code: 'trace.typed' })
            : say({ code: 'trace.line', numbers: { seconds: value.seconds } })}
        </div>
      </td>
      <td className="mono small" title={value.hash}>
        {say({ code: 'trace.entryLine', numbers: { seq: value.seq, hash: value.hash.slice(0, 12) } })}
      </td>
    </tr>
  );
}
