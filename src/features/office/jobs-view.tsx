import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import type { JobName } from '@/platform/jobs';
import { RetryButton } from './retry-button';
import type { BY_THE_CLOCK, JobNow, jobsDone } from './server/jobs-now';
import '@/core/words/en/jobs';

type Done = Awaited<ReturnType<typeof jobsDone>>;
type Row = Done['rows'][number];
type Clocked = (typeof BY_THE_CLOCK)[number];

interface Props {
  queue: JobNow[];
  done: Done;
  newest: Partial<Record<Clocked, Row>>;
  reminders: { byItself: boolean; hour: number };
  zone: string;
}

const CLOCK: Clocked[] = ['reminders', 'returns', 'lots', 'advice', 'verify', 'anchor', 'backup'];

/** What the house does by itself: what waits, what was done, what failed. */
export function JobsView({ queue, done, newest, reminders, zone }: Props) {
  const when = (kind: Clocked) =>
    kind === 'reminders'
      ? reminders.byItself
        ? say({ code: 'jobs.at.reminders', numbers: { hour: reminders.hour } })
        : say({ code: 'jobs.at.remindersOff' })
      : say({ code: `jobs.at.${kind}` });
  return (
    <>
      <p className="quiet">{say({ code: 'jobs.how' })}</p>
      <section className="sheet" data-testid="by-the-clock">
        <h2>{say({ code: 'jobs.clock' })}</h2>
        <table className="table mb-0">
          <tbody>
            {CLOCK.map((kind) => (
              <tr key={kind}>
                <td>{say({ code: `jobs.name.${kind}` })}</td>
                <td className="quiet">{when(kind)}</td>
                <td className="text-nowrap">{newest[kind] ? dayTime(newest[kind].at, zone) : say({ code: 'jobs.never' })}</td>
                <td>{newest[kind] && <Outcome row={newest[kind]} />}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="sheet mt-3" data-testid="queue">
        <h2>{say({ code: 'jobs.queue' })}</h2>
        {queue.length === 0 ? (
          <p className="quiet mb-0">{say({ code: 'jobs.empty' })}</p>
        ) : (
          <table className="table mb-0">
            <thead>
              <tr>
                <th />
                {(['waiting', 'running', 'failing', 'givenUp', 'next'] as const).map((name) => (
                  <th key={name}>{say({ code: `jobs.${name}` })}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {queue.map((one) => (
                <tr key={one.task}>
                  <td>
                    {say({ code: `jobs.task.${one.task as JobName}` })}
                    {one.problem && <div className="small text-break field-problem">{one.problem}</div>}
                  </td>
                  <td>{one.waiting}</td>
                  <td>{one.running}</td>
                  <td>{one.failing}</td>
                  <td>
                    {one.given_up} {one.given_up > 0 && <RetryButton task={one.task} />}
                  </td>
                  <td className="text-nowrap">{one.next_at ? dayTime(one.next_at, zone) : ''}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section className="sheet mt-3" data-testid="done">
        <h2>{say({ code: 'jobs.done' })}</h2>
        {done.rows.length === 0 && <p className="quiet mb-0">{say({ code: 'jobs.none' })}</p>}
        <table className="table mb-0">
          <tbody>
            {done.rows.map((row) => (
              <tr key={row.id}>
                <td className="text-nowrap">{dayTime(row.at, zone)}</td>
                <td>{say({ code: `jobs.name.${row.kind as Clocked | 'restore'}` })}</td>
                <td>
                  <Outcome row={row} />
                </td>
                <td className="quiet text-nowrap">
                  {say({ code: 'jobs.seconds', numbers: { seconds: (row.tookMs / 1000).toFixed(1) } })}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {done.next && <Link href={`/office/jobs?before=${done.next}`}>{say({ code: 'jobs.more' })}</Link>}
      </section>
    </>
  );
}

/** What came of it; of reminders how many, of what failed why. */
function Outcome({ row }: { row: Row }) {
  const missed = Array.isArray(row.detail.missed) ? (row.detail.missed as string[]) : [];
  const { mails, instruments, read, returned } = row.detail as Partial<
    Record<'mails' | 'instruments' | 'read' | 'returned', number>
  >;
  const failed = row.kind === 'lots' ? 'jobs.lotsLow' : 'jobs.failed';
  return (
    <>
      <VerdictMark state={row.ok ? 'within' : 'outside'} word={say({ code: row.ok ? 'jobs.ok' : failed })} />{' '}
      {mails !== undefined && instruments !== undefined && (
        <span className="small">{say({ code: 'jobs.reminded', numbers: { mails, instruments } })}</span>
      )}
      {read !== undefined && returned !== undefined && (
        <span className="small">{say({ code: 'jobs.returned', numbers: { read, returned } })}</span>
      )}
      {missed.map((one) => (
        <div key={one} className="small text-break">
          {one}
        </div>
      ))}
    </>
  );
}
