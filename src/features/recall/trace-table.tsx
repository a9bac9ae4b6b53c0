import Form from 'react-bootstrap/Form';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import type { ListAddress } from '@/ui/list/list-address';
import { ListTable, type Column } from '@/ui/list/list-table';
import { DayField } from './day-field';
import { VerdictMark } from '@/ui/verdict-mark';
import type { TraceCounts, TraceRow } from './server/where-used';
import '@/core/words/en/recall';

const KINDS = ['lot', 'procedure', 'technician', 'firmware'] as const;

/** Asks forward from a lot, a procedure, a technician or an instrument’s firmware; of a reference its own page asks. */
export function TraceForm({ search }: { search: Record<string, string> }) {
  const fixed = search.what === 'reference';
  return (
    <form action="/trace" className="sheet mb-3">
      {fixed && <input type="hidden" name="what" value="reference" />}
      {fixed && <input type="hidden" name="of" value={search.of} />}
      <div className="row g-2 align-items-end">
        {!fixed && (
          <>
            <label className="col-md-2">
              <span className="form-label">{say({ code: 'trace.what' })}</span>
              <Form.Select name="what" defaultValue={search.what || 'lot'}>
                {KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {say({ code: `trace.what.${kind}` })}
                  </option>
                ))}
              </Form.Select>
            </label>
            <label className="col-md-4">
              <span className="form-label">{say({ code: 'trace.ofLot' })}</span>
              <Form.Control name="of" required defaultValue={search.of} autoComplete="off" />
            </label>
          </>
        )}
        {(['from', 'to'] as const).map((which) => (
          <div key={which} className="col-6 col-md-2">
            <DayField name={which} value={search[which] ?? ''} />
          </div>
        ))}
        <div className="col-md-2">
          <Button type="submit" variant="plain">
            {say({ code: 'trace.ask' })}
          </Button>
        </div>
      </div>
    </form>
  );
}

const columns = (zone: string): Column<TraceRow>[] => [
  {
    key: 'used',
    title: say({ code: 'trace.used' }),
    sort: true,
    always: true,
    className: 'text-nowrap',
    cell: (row) => (
      <Link className="row-link" href={`/runs/${row.runId}`}>
        {dayTime(row.at, zone)}
      </Link>
    ),
  },
  {
    key: 'instrument',
    title: say({ code: 'trace.instrument' }),
    cell: (row) => (
      <Link href={`/assets/${row.assetId}`}>
        {row.item} <span className="mono">{row.serial}</span>
      </Link>
    ),
  },
  {
    key: 'customer',
    title: say({ code: 'trace.customer' }),
    cell: (row) => <Link href={`/customers/${row.customerId}`}>{row.customer}</Link>,
  },
  { key: 'by', title: say({ code: 'trace.by' }), cell: (row) => row.technician },
  { key: 'found', title: say({ code: 'trace.found' }), cell: (row) => <VerdictMark state={row.asFound} /> },
  { key: 'left', title: say({ code: 'trace.left' }), cell: (row) => <VerdictMark state={row.asLeft} /> },
  {
    key: 'document',
    title: say({ code: 'trace.document' }),
    className: 'text-nowrap',
    cell: (row) =>
      row.certificateId ? (
        <>
          <Link className="mono" href={`/certificates/${row.certificateId}`}>
            {row.number}
          </Link>
          {row.withdrawn && <strong> {say({ code: 'trace.withdrawn' })}</strong>}
        </>
      ) : (
        <span className="quiet">{say({ code: 'trace.noDocument' })}</span>
      ),
  },
];

/** Runs that rest on what was asked for, with how many there are. */
export function TraceTable({
  list,
  page,
  counts,
  zone,
}: {
  list: ListAddress;
  page: { rows: TraceRow[]; next: string | null };
  counts: TraceCounts;
  zone: string;
}) {
  return (
    <>
      <p className="fs-5" data-testid="trace-counts">
        {say({
          code: 'trace.counts',
          numbers: {
            runs: counts.runs,
            instruments: counts.instruments,
            customers: counts.customers,
            documents: counts.documents,
          },
        })}
      </p>
      <ListTable
        list={list}
        columns={columns(zone)}
        rows={page.rows}
        next={page.next}
        idOf={(row) => row.runId}
        empty={say({ code: 'trace.none' })}
      />
    </>
  );
}
