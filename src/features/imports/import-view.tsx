'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { IMPORT_FIELDS, type ImportField, type ImportProblem } from '@/core/stored/import';
import { say } from '@/core/words/say';
import { attempt, type Attempted } from '@/platform/client/result';
import { Link } from '@/ui/link';
import { useLookAgain } from '@/ui/use-look-again';
import { useReady } from '@/ui/use-ready';
import { VerdictMark } from '@/ui/verdict-mark';
import { dropImportAction, judgeImportAction, takeImportAction, takeImportBackAction } from './actions';
import { ColumnsPanel, type Mapping } from './columns-panel';
import { DecisionsPanel, type Asked, type Decisions } from './decisions-panel';
import { labelOf, type ImportKind } from './import-fields';
import { DAY_ORDERS, orderOf, type DayOrder } from '@/core/quantity/read-day';
import '@/core/words/en/imports';

type Verdict = 'new' | 'ask' | 'bad' | 'there';
const VERDICTS: Verdict[] = ['new', 'ask', 'bad', 'there'];
const MARKS = { new: 'within', ask: 'cannotTell', bad: 'outside', there: 'notMeasured' } as const;

interface Row {
  line: number;
  cells: string[];
  given: Partial<Record<ImportField, string>> | null;
  problems: ImportProblem[];
  verdict: Verdict | null;
}
export interface ImportPage {
  id: string;
  kind: ImportKind;
  state: 'staged' | 'judged' | 'taking' | 'taken' | 'takenBack' | 'dropped' | 'filling';
  columns: string[];
  mapping: Mapping & { dayOrder?: DayOrder };
  decisions: Partial<Decisions>;
  counts: Record<Verdict, number>;
  rows: Row[];
  next: number | null;
  shown: string | undefined;
  asked: Asked[];
  models: { id: string; name: string }[];
  /** What taking it in made. */
  made: { customers: number; instruments: number; bottles: number };
  problem: string;
}

const couldNot = (problem: string) =>
  problem ? { text: say({ code: 'import.couldNot', numbers: { problem } }), bad: true } : null;

function madeOf({ customers, instruments, bottles }: ImportPage['made']): string {
  if (bottles) return say({ code: 'import.bottlesTaken', numbers: { count: bottles } });
  const both = customers && instruments ? 'yes' : 'no';
  return say({ code: 'import.taken', numbers: { customers, instruments, both } });
}

/** A table before it is taken in: which column is which, what becomes of each row, what is to be decided; and afterwards, the way back. */
export function ImportView({ page }: { page: ImportPage }) {
  const router = useRouter();
  const ready = useReady();
  const { dayOrder: keptOrder, ...kept } = page.mapping;
  const [mapping, setMapping] = useState<Mapping>(kept);
  const texts = (column: number) => page.rows.map((row) => row.cells[column] ?? '');
  const days = [mapping.due, mapping.last, mapping.expires].filter((column) => column !== undefined);
  const [dayOrder, setDayOrder] = useState<DayOrder>(keptOrder ?? orderOf(days.flatMap(texts)) ?? 'dayFirst');
  const [decisions, setDecisions] = useState<Decisions>({
    customers: page.decisions.customers ?? {},
    models: page.decisions.models ?? {},
  });
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const act = async <T,>(call: () => Promise<Attempted & { value?: T }>, good: (value: T) => string) => {
    setBusy(true);
    const result = await attempt(call as never);
    setBusy(false);
    setSaid(result.ok ? { text: good(result.value as T), bad: false } : { text: result.message, bad: true });
    router.refresh();
  };
  const batchId = page.id;
  const look = () =>
    act(
      () => judgeImportAction({ batchId, mapping, dayOrder, ...decisions }),
      () => '',
    );
  const open = page.state === 'staged' || page.state === 'judged';
  return (
    <>
      {open && (
        <div className="sheet mb-3">
          <h2>{say({ code: 'import.columns' })}</h2>
          <p className="quiet small">{say({ code: 'import.columnsHelp' })}</p>
          <ColumnsPanel
            kind={page.kind}
            columns={page.columns}
            sample={(column) => texts(column).filter(Boolean).slice(0, 3).join(' · ')}
            mapping={mapping}
            change={setMapping}
          />
          {days.length > 0 && (
            <label className="d-flex gap-2 align-items-center mt-2">
              {say({ code: 'import.dayOrder' })}
              <Form.Select
                size="sm"
                style={{ maxWidth: '14rem' }}
                value={dayOrder}
                onChange={(event) => setDayOrder(event.target.value as DayOrder)}
              >
                {DAY_ORDERS.map((one) => (
                  <option key={one} value={one}>
                    {say({ code: `import.${one}` })}
                  </option>
                ))}
              </Form.Select>
            </label>
          )}
          <DecisionsPanel asked={page.asked} models={page.models} decisions={decisions} change={setDecisions} />
          <div className="d-flex flex-wrap gap-2 align-items-center mt-3">
            <Button variant={page.state === 'staged' ? 'primary' : 'plain'} disabled={busy || !ready} onClick={() => void look()}>
              {say({ code: page.state === 'staged' ? 'import.look' : 'import.lookAgain' })}
            </Button>
            {page.state === 'judged' && page.counts.new > 0 && (
              <Button
                disabled={busy || !ready}
                onClick={() =>
                  void act(
                    () => takeImportAction({ batchId }),
                    () => '',
                  )
                }
              >
                {say({ code: 'import.take', numbers: { count: page.counts.new } })}
              </Button>
            )}
            <Button
              variant="plain"
              disabled={busy || !ready}
              onClick={() =>
                void act(
                  () => dropImportAction({ batchId }),
                  () => '',
                )
              }
            >
              {say({ code: 'import.putAside' })}
            </Button>
            <Said said={said ?? couldNot(page.problem)} />
          </div>
        </div>
      )}
      {page.state === 'taking' && <BeingTaken />}
      {!open && page.state !== 'taking' && (
        <div className="sheet mb-3 d-flex flex-wrap gap-3 align-items-center">
          <span>
            {page.state === 'taken' ? madeOf(page.made) : say({ code: 'import.state', numbers: { state: page.state } })}
          </span>
          {page.state === 'taken' && (
            <Button
              variant="plain"
              disabled={busy || !ready}
              onClick={() =>
                void act<{ customers: number; instruments: number; bottles: number; stayed: number }>(
                  () => takeImportBackAction({ batchId }),
                  ({ bottles, ...value }) =>
                    page.kind === 'bottles'
                      ? say({ code: 'import.bottlesBack', numbers: { count: bottles, stayed: value.stayed } })
                      : say({ code: 'import.back', numbers: { ...value } }),
                )
              }
            >
              {say({ code: 'import.takeBack' })}
            </Button>
          )}
          <Said said={said} />
        </div>
      )}
      {page.state !== 'staged' && page.state !== 'filling' && page.rows.length > 0 && <Rows page={page} />}
    </>
  );
}

/** Looks each second whether the job has taken it in. */
function BeingTaken() {
  useLookAgain();
  return (
    <div className="sheet mb-3" data-testid="being-taken" role="status">
      <p className="mb-1">{say({ code: 'import.taking' })}</p>
      <progress className="w-100" />
    </div>
  );
}

const Said = ({ said }: { said: { text: string; bad: boolean } | null }) =>
  said?.text ? (
    <span role="status" className={said.bad ? 'field-problem' : ''}>
      {said.text}
    </span>
  ) : null;

/** Row by row what becomes of it, and why. */
function Rows({ page }: { page: ImportPage }) {
  const fields = IMPORT_FIELDS.filter((field) => page.mapping[field] !== undefined);
  return (
    <div className="sheet">
      <nav className="d-flex flex-wrap gap-3 mb-2" aria-label={say({ code: 'import.all' })}>
        <Link href={`/imports/${page.id}`} aria-current={page.shown ? undefined : 'true'}>
          {say({ code: 'import.all' })}
        </Link>
        {VERDICTS.map((verdict) => (
          <Link
            key={verdict}
            href={`/imports/${page.id}?verdict=${verdict}`}
            aria-current={page.shown === verdict ? 'true' : undefined}
          >
            {say({ code: 'import.count', numbers: { verdict, count: page.counts[verdict] } })}
          </Link>
        ))}
      </nav>
      <div className="table-responsive">
        <table className="table mb-0">
          <thead>
            <tr>
              <th>{say({ code: 'import.line' })}</th>
              <th />
              {fields.map((field) => (
                <th key={field}>{say({ code: labelOf(field) })}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {page.rows.map((row) => (
              <tr key={row.line} data-testid="import-row">
                <td>{row.line}</td>
                <td className="text-nowrap">
                  {row.verdict && (
                    <VerdictMark
                      state={MARKS[row.verdict]}
                      word={say({ code: 'import.verdict', numbers: { verdict: row.verdict } })}
                    />
                  )}
                </td>
                {fields.map((field) => (
                  <td key={field} className={field === 'email' || field === 'address' ? 'text-break' : undefined}>
                    {row.given?.[field] ?? row.cells[page.mapping[field]!] ?? ''}
                    {row.problems
                      .filter((problem) => problem.field === field)
                      .map(({ code, numbers }) => (
                        <span key={code} className="field-problem d-block small">
                          {say({ code: `import.${code}`, ...(numbers ? { numbers } : {}) })}
                        </span>
                      ))}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {page.next && (
        <Link
          className="btn btn-plain mt-2"
          href={`/imports/${page.id}?${new URLSearchParams({ ...(page.shown ? { verdict: page.shown } : {}), after: String(page.next) })}`}
        >
          {say({ code: 'import.more' })}
        </Link>
      )}
    </div>
  );
}
