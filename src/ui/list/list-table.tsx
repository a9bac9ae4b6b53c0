import type { ReactNode } from 'react';
import { say } from '@/core/words/say';
import { Choice, type Act } from './choice';
import { ColumnMenu } from './column-menu';
import { Pager } from '../pager';
import { hrefOf, queryOf, type ListAddress } from './list-address';
import { SoftLinks } from './soft-links';
import '@/core/words/en/lists';

export interface Column<Row> {
  key: string;
  title: string;
  cell: (row: Row) => ReactNode;
  /** The list can be ordered by it. */
  sort?: boolean;
  /** Can't be left out: it names the row. */
  always?: boolean;
  /** Shown only by whoever asks for it. */
  asked?: boolean;
  className?: string;
}

interface Props<Row> {
  list: ListAddress;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  next: string | null;
  idOf: (row: Row) => string;
  rowClass?: (row: Row) => string;
  empty: ReactNode;
  /** What is looked for, and what is chosen from: above the table, side by side. */
  filters?: ReactNode;
  choose?: { acts: readonly Act[]; nameOf: (row: Row) => string };
}

/** A list of the house: order, columns, filters and page stand in the address; several rows can be chosen for one act. */
export function ListTable<Row>({ list, columns, rows, next, idOf, rowClass, empty, filters, choose }: Props<Row>) {
  const shown = new Set(
    columns.filter((one) => one.always || (list.columns ? list.columns.includes(one.key) : !one.asked)).map((one) => one.key),
  );
  const cols = columns.filter((one) => shown.has(one.key));
  const table = rows.length > 0 && (
    <div className="list-wide">
      <table className="table mb-0">
        <thead>
          <tr>
            {choose && (
              <th className="choose">
                <input type="checkbox" data-all="yes" className="form-check-input" aria-label={say({ code: 'list.chooseAll' })} />
              </th>
            )}
            {cols.map((column) => (
              <Head key={column.key} column={column} list={list} />
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={idOf(row)} className={rowClass?.(row)}>
              {choose && (
                <td className="choose">
                  <input
                    type="checkbox"
                    name="id"
                    value={idOf(row)}
                    className="form-check-input"
                    aria-label={say({ code: 'list.choose', numbers: { what: choose.nameOf(row) } })}
                  />
                </td>
              )}
              {cols.map((column) => (
                <td key={column.key} className={column.className}>
                  {column.cell(row)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
  return (
    <SoftLinks>
      <div className="list-head">
        {filters}
        <span className="end">
          <ColumnMenu list={list} columns={columns} shown={shown} />
        </span>
      </div>
      <div className="sheet">
        {rows.length === 0 && <div className="empty">{empty}</div>}
        {table && choose ? <Choice acts={choose.acts}>{table}</Choice> : table}
        <Pager base={list.base} query={{ ...queryOf(list), after: list.after }} next={next} param="after" />
      </div>
    </SoftLinks>
  );
}

function Head<Row>({ column, list }: { column: Column<Row>; list: ListAddress }) {
  const sorted = list.sort === column.key;
  const className = column.className?.includes('text-end') ? 'text-end' : undefined;
  if (!column.sort) return <th className={className}>{column.title}</th>;
  const down = sorted && !list.down;
  return (
    <th className={className} aria-sort={sorted ? (list.down ? 'descending' : 'ascending') : undefined}>
      <a
        className="sort"
        href={hrefOf(list, { sort: column.key, down })}
        title={say({ code: down ? 'list.sortDown' : 'list.sortUp', numbers: { column: column.title } })}
      >
        {column.title}
        <span aria-hidden>{sorted ? (list.down ? ' ▾' : ' ▴') : ''}</span>
      </a>
    </th>
  );
}
