import { say } from '@/core/words/say';
import { Folded } from '@/ui/folded';
import { DayOf } from '@/ui/zone';
import { oddsText } from './advice-sentence';
import type { AssetOutlook } from './server/asset-outlook';
import '@/core/words/en/advice';

/** Seconds to nine tenths over the visits, by channel. */
export type T90s = Record<string, { seconds: number }[]>;

const signed = (value: number, places: number) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(places)}`;

/** What an advice rests on, channel by channel. */
export function NumbersBehind({ outlook, t90s }: { outlook: AssetOutlook; t90s: T90s }) {
  return (
    <Folded summary={say({ code: 'advice.numbers' })} className="">
      {() => (
        <div className="table-responsive">
          <table className="table table-sm mb-0 mt-2">
            <thead>
              <tr>
                {(['channel', 'aMonth', 'from', 'next', 'outside', 'summed', 'raw', 't90', 'sensors'] as const).map((one) => (
                  <th key={one}>{say({ code: `advice.${one}` })}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {outlook.channels.map((one) => {
                const times = t90s[one.channel] ?? [];
                return (
                  <tr key={one.channel}>
                    <td className="fw-semibold">{one.label}</td>
                    <td className="mono text-nowrap">
                      {one.perMonth === null ? '–' : `${signed(one.perMonth, 1)} ± ${(2 * one.sPerMonth!).toFixed(1)}`}
                    </td>
                    <td>{fromWhat(one)}</td>
                    <td className="mono text-nowrap">
                      {one.forecast ? `${signed(one.forecast.low, 0)} … ${signed(one.forecast.high, 0)} %` : '–'}
                    </td>
                    <td>{one.forecast ? oddsText(one.forecast.outside) : '–'}</td>
                    <td className="mono text-nowrap">{one.summed === null ? '–' : `${signed(one.summed, 0)} %`}</td>
                    <td className="mono text-nowrap">{one.raw ? `${one.raw.now} / ${one.raw.first}` : '–'}</td>
                    <td className="mono text-nowrap">
                      {times.length > 1
                        ? `${times[0]!.seconds} → ${times.at(-1)!.seconds} s`
                        : times.length
                          ? `${times[0]!.seconds} s`
                          : '–'}
                    </td>
                    <td className="text-nowrap">{one.newSensors.length ? <DayOf at={one.newSensors.at(-1)!} /> : '–'}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
    </Folded>
  );
}

function fromWhat({ by, steps }: AssetOutlook['channels'][number]): string {
  const numbers = { steps };
  if (by === null) return say({ code: 'advice.fromNothing', numbers });
  return say({ code: by === 'own' ? 'advice.fromOwn' : 'advice.fromKind', numbers });
}
