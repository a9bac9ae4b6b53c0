import { ADVICE_CODES } from '@/core/stored/advice';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { FilterLinks } from '@/ui/list/filter-links';
import type { ListAddress } from '@/ui/list/list-address';
import { ListTable, type Column } from '@/ui/list/list-table';
import type { AdviceRow } from './server/list-advice';
import { everyText } from './advice-sentence';
import '@/core/words/en/advice';
import '@/core/words/en/lists';

const COLUMNS: Column<AdviceRow>[] = [
  {
    key: 'instrument',
    title: say({ code: 'advice.instrument' }),
    always: true,
    cell: (row) => (
      <Link className="row-link" href={`/assets/${row.assetId}`}>
        {row.item} <span className="mono">{row.serial}</span>
      </Link>
    ),
  },
  {
    key: 'customer',
    title: say({ code: 'advice.customer' }),
    cell: (row) => <Link href={`/customers/${row.customerId}`}>{row.customer}</Link>,
  },
  {
    key: 'now',
    title: say({ code: 'advice.now' }),
    className: 'text-nowrap',
    cell: (row) => (row.present ? everyText(row.present) : ''),
  },
  {
    key: 'then',
    title: say({ code: 'advice.then' }),
    className: 'text-nowrap fw-semibold',
    cell: (row) => (row.advice.every ? everyText(row.advice.every) : ''),
  },
  { key: 'way', title: say({ code: 'advice.way' }), cell: (row) => say({ code: `advice.way.${row.advice.way}` }) },
  { key: 'sentence', title: say({ code: 'advice.sentence' }), className: 'small', cell: (row) => row.sentence },
];

/** Instruments for which something else is advised than is set, what would fail most often first. */
export function AdviceTable({ list, page }: { list: ListAddress; page: { rows: AdviceRow[]; next: string | null } }) {
  return (
    <ListTable
      list={list}
      columns={COLUMNS}
      rows={page.rows}
      next={page.next}
      idOf={(row) => row.assetId}
      empty={say({ code: 'advice.none' })}
      filters={
        <FilterLinks
          list={list}
          name="says"
          label={say({ code: 'advice.code' })}
          options={[
            ['', say({ code: 'list.any' })],
            ...ADVICE_CODES.map((code) => [code, say({ code: `advice.code.${code}` })] as const),
          ]}
        />
      }
    />
  );
}
