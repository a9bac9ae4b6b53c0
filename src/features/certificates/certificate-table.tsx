import { DOCUMENT_KINDS } from '@/core/certificate/version-2';
import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { FilterLinks } from '@/ui/list/filter-links';
import { ListSearch } from '@/ui/list/list-search';
import { FilterSelect } from '@/ui/list/filter-select';
import { hrefOf, type ListAddress } from '@/ui/list/list-address';
import { ListTable, type Column } from '@/ui/list/list-table';
import { VerdictMark } from '@/ui/verdict-mark';
import type { CertificateRow } from './server/list-certificates';
import '@/core/words/en/assets';
import '@/core/words/en/certificates-room';
import '@/core/words/en/document-kinds';
import '@/core/words/en/lists';

const columns = (zone: string): Column<CertificateRow>[] => [
  {
    key: 'number',
    title: say({ code: 'certificates.number' }),
    sort: true,
    always: true,
    cell: (row) => (
      <>
        <a className="row-link mono" href={`/certificates/${row.id}`}>
          {row.number}
          {row.revision > 0 && ` r${row.revision}`}
        </a>
        {row.replacedBy && <span className="quiet small"> {say({ code: 'certificates.replaced' })}</span>}
        {row.kind !== 'calibration' && row.kind !== 'certificate' && (
          <div className="quiet small">{say({ code: `kind.${row.kind}` })}</div>
        )}
      </>
    ),
  },
  {
    key: 'kind',
    title: say({ code: 'certificates.kind' }),
    asked: true,
    className: 'quiet small',
    cell: (row) => say({ code: `kind.${row.kind}` }),
  },
  {
    key: 'issued',
    title: say({ code: 'certificates.issued' }),
    sort: true,
    className: 'text-nowrap',
    cell: (row) => dayTime(row.issuedAt, zone),
  },
  { key: 'instrument', title: say({ code: 'assets.instrument' }), cell: (row) => `${row.maker} ${row.model}` },
  { key: 'serial', title: say({ code: 'assets.serial' }), className: 'mono text-nowrap', cell: (row) => row.serial },
  { key: 'customer', title: say({ code: 'assets.customer' }), sort: true, cell: (row) => row.customer },
  { key: 'found', title: say({ code: 'certificates.asFound' }), cell: (row) => <VerdictMark state={row.asFound} /> },
  { key: 'left', title: say({ code: 'certificates.asLeft' }), cell: (row) => <VerdictMark state={row.asLeft} /> },
];

interface Props {
  list: ListAddress;
  page: { rows: CertificateRow[]; next: string | null };
  zone: string;
}

/** Issued documents; order, choice and page stand in the address. */
export function CertificateTable({ list, page, zone }: Props) {
  return (
    <>
      <ListTable
        list={list}
        columns={columns(zone)}
        rows={page.rows}
        next={page.next}
        idOf={(row) => row.id}
        filters={
          <>
            <ListSearch list={list} label={say({ code: 'certificates.search' })} />
            <FilterSelect
              label={say({ code: 'certificates.kind' })}
              options={[undefined, ...DOCUMENT_KINDS].map((kind) => ({
                href: hrefOf(list, { filters: { kind } }),
                name: say({ code: kind ? `kind.${kind}` : 'certificates.kindAny' }),
                chosen: list.filters.kind === kind,
              }))}
            />
            <FilterLinks
              list={list}
              name="found"
              label={say({ code: 'certificates.asFound' })}
              options={[
                ['', say({ code: 'certificates.foundAny' })],
                ['outside', say({ code: 'certificates.foundOutside' })],
              ]}
            />
          </>
        }
        empty={say({ code: (list.q ?? Object.keys(list.filters)[0]) ? 'certificates.nothing' : 'certificates.none' })}
        choose={{
          nameOf: (row) => row.number,
          acts: [
            { to: '/certificates/zip', name: say({ code: 'certificates.zip' }) },
            { to: '/certificates/labels', name: say({ code: 'assets.labels' }) },
          ],
        }}
      />
    </>
  );
}
