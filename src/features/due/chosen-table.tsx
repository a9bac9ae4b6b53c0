import type { Every } from '@/core/interval/next-due';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import '@/core/words/en/assets';
import '@/core/words/en/due';

export interface ChosenInstrument {
  id: string;
  serial: string;
  maker: string;
  model: string;
  customer: string;
  nextDue: string | null;
  every: Every | null;
}

const told = (every: Every | null) =>
  every
    ? say({
        code: 'policy.every',
        numbers: 'days' in every ? { count: every.days, unit: 'days' } : { count: every.months, unit: 'months' },
      })
    : '';

/** The instruments that were chosen in a list, before something is done with all of them. */
export function ChosenTable({ instruments }: { instruments: ChosenInstrument[] }) {
  return (
    <table className="table sheet">
      <thead>
        <tr>
          <th>{say({ code: 'assets.serial' })}</th>
          <th>{say({ code: 'assets.instrument' })}</th>
          <th>{say({ code: 'assets.customer' })}</th>
          <th>{say({ code: 'policy.own' })}</th>
          <th>{say({ code: 'assets.nextDue' })}</th>
        </tr>
      </thead>
      <tbody>
        {instruments.map((one) => (
          <tr key={one.id}>
            <td className="mono">{one.serial}</td>
            <td>
              {one.maker} {one.model}
            </td>
            <td>{one.customer}</td>
            <td>{told(one.every)}</td>
            <td>{day(one.nextDue)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
