import { say } from '@/core/words/say';
import { hrefOf, type ListAddress } from './list-address';
import type { Column } from './list-table';
import '@/core/words/en/lists';

/** Which columns are shown: each a link that turns it on or off, so that it works without any script and can be shared. */
export function ColumnMenu<Row>({
  list,
  columns,
  shown,
}: {
  list: ListAddress;
  columns: readonly Column<Row>[];
  shown: Set<string>;
}) {
  const turned = (key: string) => {
    const next = columns.filter((one) => (one.key === key ? !shown.has(key) : shown.has(one.key))).map((one) => one.key);
    return hrefOf(list, { columns: next, after: list.after });
  };
  return (
    <details className="column-menu">
      <summary className="btn btn-plain">{say({ code: 'list.columns' })}</summary>
      <ul className="sheet">
        {columns.map((column) =>
          column.always ? null : (
            <li key={column.key}>
              <a href={turned(column.key)} aria-current={shown.has(column.key)}>
                <span aria-hidden>{shown.has(column.key) ? '☑' : '☐'}</span> {column.title}
              </a>
            </li>
          ),
        )}
        {list.columns && (
          <li>
            <a href={hrefOf(list, { columns: null, after: list.after })}>{say({ code: 'list.allColumns' })}</a>
          </li>
        )}
      </ul>
    </details>
  );
}
