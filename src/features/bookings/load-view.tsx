import { fitOf, type Ceiling, type WeekLoad } from '@/core/booking/week-load';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { LoadChart } from './load-chart';
import '@/core/words/en/bookings';

/** The weeks ahead, drawn and in figures. */
export function LoadView({ weeks, ceiling }: { weeks: readonly WeekLoad[]; ceiling: Ceiling }) {
  const holds = [
    ceiling.instruments === null ? null : say({ code: 'load.ofInstruments', numbers: { count: ceiling.instruments } }),
    ceiling.hours === null ? null : say({ code: 'load.ofHours', numbers: { hours: ceiling.hours } }),
  ].filter((one) => one !== null);
  return (
    <section className="sheet mb-3" data-testid="load">
      <h2>{say({ code: 'load.title' })}</h2>
      <p className="quiet small mb-1">{say({ code: 'load.how' })}</p>
      <p className="mb-1">
        {holds.length ? say({ code: 'load.ceiling', numbers: { what: holds.join(', ') } }) : say({ code: 'load.noCeiling' })}
      </p>
      <LoadChart weeks={weeks} ceiling={ceiling} />
      <details>
        <summary>{say({ code: 'load.hours' })}</summary>
        <table className="table mb-0">
          <thead>
            <tr>
              <th>{say({ code: 'load.week' })}</th>
              <th className="text-end">{say({ code: 'load.booked' })}</th>
              <th className="text-end">{say({ code: 'load.due' })}</th>
              <th className="text-end">{say({ code: 'load.beyond' })}</th>
            </tr>
          </thead>
          <tbody>
            {weeks.map((one) => (
              <tr key={one.week}>
                <td>{day(one.week)}</td>
                {[one.booked, one.due].map((amount, index) => (
                  <td key={index} className="mono text-end">
                    {amount.instruments} · {amount.hours.toFixed(1)} h
                  </td>
                ))}
                <td className="mono text-end">{fitOf(one, ceiling).beyond || ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
