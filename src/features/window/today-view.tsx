import { say } from '@/core/words/say';
import { day, dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { PrintButton } from '@/ui/print-button';
import { VerdictMark } from '@/ui/verdict-mark';
import type { OwnInstrument } from './server/own-things';
import '@/core/words/en/window';

const MARK = { yes: 'within', no: 'outside', bumpFirst: 'cannotTell' } as const;

/** Why, with days as people read them. */
export const whyOf = ({ use }: Pick<OwnInstrument, 'use'>): string =>
  say(use.why.numbers?.day ? { ...use.why, numbers: { day: day(String(use.why.numbers.day)) } } : use.why);

export const MayMark = ({ may }: { may: OwnInstrument['use']['may'] }) => (
  <VerdictMark state={MARK[may]} word={say({ code: `window.may.${may}` })} />
);

/** Where it is, while the workshop has it. */
export const jobOf = (one: OwnInstrument): string =>
  one.job
    ? say({
        code: 'window.job',
        numbers: {
          state: say({ code: `window.job.${one.job as 'inTray'}` }),
          promise: one.promise ? say({ code: 'window.promise', numbers: { day: day(one.promise) } }) : '',
        },
      })
    : '';

/** One page that answers one question, site by site, to be printed and hung up. */
export function TodayView({ instruments, zone, today }: { instruments: readonly OwnInstrument[]; zone: string; today: string }) {
  const sites = [...new Set(instruments.map((one) => one.site))];
  return (
    <>
      <div className="page-head">
        <h1>
          {say({ code: 'window.today' })} <span className="quiet fs-5">{day(today)}</span>
        </h1>
        <span className="end no-print">
          <PrintButton>{say({ code: 'window.print' })}</PrintButton>
        </span>
      </div>
      <p className="quiet">{say({ code: 'window.todayHow' })}</p>
      {instruments.length === 0 && <p className="sheet">{say({ code: 'window.none' })}</p>}
      {sites.map((site) => (
        <section key={site ?? ''} className="sheet mb-3" data-testid="site">
          {(sites.length > 1 || site) && <h2>{site ?? say({ code: 'window.noSite' })}</h2>}
          <div className="list-wide">
            <table className="table mb-0">
              <thead>
                <tr>
                  <th>{say({ code: 'window.today' })}</th>
                  <th>{say({ code: 'window.instrument' })}</th>
                  <th>{say({ code: 'window.tag' })}</th>
                  <th>{say({ code: 'window.due' })}</th>
                  <th>{say({ code: 'window.lastBump' })}</th>
                </tr>
              </thead>
              <tbody>
                {instruments
                  .filter((one) => one.site === site)
                  .map((one) => (
                    <tr key={one.id}>
                      <td>
                        <MayMark may={one.use.may} />
                        <div className="quiet small">{one.job ? jobOf(one) : whyOf(one)}</div>
                      </td>
                      <td>
                        <Link className="row-link" href={`/window/instruments/${one.id}`}>
                          {one.item} <span className="mono">{one.serial}</span>
                        </Link>
                      </td>
                      <td className="mono">{one.tag}</td>
                      <td className="text-nowrap">{day(one.nextDue)}</td>
                      <td className="text-nowrap">{one.bumped ? (one.bumpAt ? dayTime(one.bumpAt, zone) : '—') : ''}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </div>
        </section>
      ))}
    </>
  );
}
