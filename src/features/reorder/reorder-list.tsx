import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { PrintButton } from '@/ui/print-button';
import type { SupplyLine } from './server/supply-outlook';
import '@/core/words/en/reorder';

interface Props {
  lines: readonly SupplyLine[];
  today: string;
  currency: string;
  workshop: { name: string; address: string; contact: string };
}

/** What is to be ordered, as one page to send. */
export function ReorderList({ lines, today, currency, workshop }: Props) {
  const wanted = lines.filter((one) => one.order > 0);
  const priced = wanted.filter((one) => one.terms.price !== null);
  const sum = priced.reduce((total, one) => total + one.terms.price! * one.order, 0);
  return (
    <section className="sheet mb-3" data-testid="reorder">
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h2>{say({ code: 'reorder.list' })}</h2>
        <span className="print-only">
          {[workshop.name, workshop.address, workshop.contact].filter(Boolean).join(', ')} · {day(today)}
        </span>
        {wanted.length > 0 && (
          <span className="ms-auto no-print">
            <PrintButton>{say({ code: 'reorder.print' })}</PrintButton>
          </span>
        )}
      </div>
      {wanted.length === 0 ? (
        <p className="quiet mb-0">{say({ code: 'reorder.nothing' })}</p>
      ) : (
        <>
          <table className="table">
            <thead>
              <tr>
                {(['what', 'many', 'supplier', 'part', 'price', 'sum', 'by'] as const).map((one) => (
                  <th key={one} className={one === 'price' || one === 'sum' || one === 'many' ? 'text-end' : undefined}>
                    {say({ code: `reorder.${one}` })}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {wanted.map(({ name, order, orderBy, terms }) => (
                <tr key={name}>
                  <td className="fw-semibold">{name}</td>
                  <td className="mono text-end">{order}</td>
                  <td>{terms.supplier}</td>
                  <td className="mono">{terms.partNumber}</td>
                  <td className="mono text-end">{terms.price === null ? '–' : terms.price.toFixed(2)}</td>
                  <td className="mono text-end">{terms.price === null ? '–' : (terms.price * order).toFixed(2)}</td>
                  <td className="text-nowrap">
                    {day(orderBy)} {orderBy! < today && <span className="verdict-warn">{say({ code: 'reorder.late' })}</span>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {priced.length > 0 && (
            <p className="mb-0">
              {say({ code: 'reorder.total', numbers: { sum: sum.toFixed(2), currency } })}
              {priced.length < wanted.length && <span className="quiet"> ({say({ code: 'reorder.noPrices' })})</span>}
            </p>
          )}
        </>
      )}
    </section>
  );
}
