import { amountOf, totalOf, type Position } from '@/core/money/position';
import { say } from '@/core/words/say';
import '@/core/words/en/money';

interface Line extends Position {
  id?: string;
  after?: React.ReactNode;
  struck?: boolean;
}

/** Lines with what each comes to, and the whole: on the ticket and on every paper alike. */
export function PositionTable({ lines, currency }: { lines: readonly Line[]; currency: string }) {
  return (
    <table className="table tight-acts">
      <tbody>
        {lines.map((one, index) => (
          <tr key={one.id ?? index}>
            <td>
              <span className={one.struck ? 'struck' : ''}>{one.name}</span>{' '}
              {one.partNumber && <span className="mono small quiet">{one.partNumber}</span>}
              {one.after}
            </td>
            <td className="mono text-end">
              {Number(one.quantity)} × {one.each}
            </td>
            <td className="mono text-end">{one.struck ? '' : amountOf(one)}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th colSpan={2}>{say({ code: 'money.total' })}</th>
          <th className="mono text-end">
            {totalOf(lines.filter((one) => !one.struck))} {currency}
          </th>
        </tr>
      </tfoot>
    </table>
  );
}
