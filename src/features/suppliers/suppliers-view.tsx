'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { SUPPLIER_VERDICTS } from '@/core/stored/supplier-verdict';
import { say } from '@/core/words/say';
import { useSent } from '@/platform/client/use-sent';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { FormFoot } from '@/ui/form-foot';
import { day, dayTime } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { reviewSupplierAction } from './actions';
import type { SupplierLine } from './server/list-suppliers';
import '@/core/words/en/suppliers';

const COUNTS = ['lots', 'accepted', 'overAge', 'recalled', 'failed', 'suspected'] as const;
const MARKS = { approved: 'within', watched: 'cannotTell', barred: 'outside' } as const;

/** Suppliers, what came of each, and what a signatory made of it. */
export function SuppliersView({
  lines,
  today,
  zone,
  mayEvaluate,
}: {
  lines: SupplierLine[];
  today: string;
  zone: string;
  mayEvaluate: boolean;
}) {
  const [open, setOpen] = useState<string | null>(null);
  if (lines.length === 0) return <p className="quiet">{say({ code: 'supplier.none' })}</p>;
  return (
    <div className="sheet">
      <table className="table mb-0" data-testid="suppliers">
        <thead>
          <tr>
            <th>{say({ code: 'supplier.name' })}</th>
            {COUNTS.map((name) => (
              <th key={name} className="text-end">
                {say({ code: `supplier.${name}` })}
              </th>
            ))}
            <th>{say({ code: 'supplier.stands' })}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.supplier}>
              <td>{line.supplier}</td>
              {COUNTS.map((name) => (
                <td key={name} className="text-end mono">
                  {line[name] || '–'}
                </td>
              ))}
              <td>
                <Standing line={line} today={today} zone={zone} />
                {open === line.supplier && <ReviewForm supplier={line.supplier} onDone={() => setOpen(null)} />}
              </td>
              <td className="text-end">
                {mayEvaluate && open !== line.supplier && (
                  <Button size="sm" variant="plain" onClick={() => setOpen(line.supplier)}>
                    {say({ code: 'supplier.evaluate' })}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Standing({ line, today, zone }: { line: SupplierLine; today: string; zone: string }) {
  const { verdict, why, reviewBy, reviewedAt, reviewedBy } = line;
  if (!verdict) return <span className="quiet">{say({ code: 'supplier.never' })}</span>;
  const overdue = reviewBy !== null && reviewBy < today;
  return (
    <>
      <VerdictMark state={MARKS[verdict]} word={say({ code: `supplier.verdict.${verdict}` })} />
      <div className="small">
        {say({ code: 'supplier.said', numbers: { why: why ?? '', by: reviewedBy ?? '', on: dayTime(reviewedAt!, zone) } })}
      </div>
      {reviewBy && (
        <div className={overdue ? 'small field-problem' : 'small quiet'}>
          {say({ code: overdue ? 'supplier.overdue' : 'supplier.again', numbers: { on: day(reviewBy) } })}
        </div>
      )}
    </>
  );
}

function ReviewForm({ supplier, onDone }: { supplier: string; onDone: () => void }) {
  const [given, setGiven] = useState({ verdict: 'approved' as (typeof SUPPLIER_VERDICTS)[number], why: '', reviewBy: '' });
  const { problems, message, send: sent } = useSent();
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (await sent(() => reviewSupplierAction({ supplier, ...given }))) onDone();
  };
  return (
    <form onSubmit={send} noValidate className="mt-2" data-testid="supplier-form">
      <Field label={say({ code: 'supplier.verdict' })} problem={problems.verdict}>
        <Form.Select
          value={given.verdict}
          onChange={(event) => setGiven({ ...given, verdict: event.target.value as typeof given.verdict })}
        >
          {SUPPLIER_VERDICTS.map((one) => (
            <option key={one} value={one}>
              {say({ code: `supplier.verdict.${one}` })}
            </option>
          ))}
        </Form.Select>
      </Field>
      <Field label={say({ code: 'supplier.why' })} problem={problems.why}>
        <Form.Control
          as="textarea"
          rows={2}
          value={given.why}
          onChange={(event) => setGiven({ ...given, why: event.target.value })}
        />
      </Field>
      <Field label={say({ code: 'supplier.reviewBy' })} problem={problems.reviewBy}>
        <DayInput value={given.reviewBy} onChange={(reviewBy) => setGiven({ ...given, reviewBy })} />
      </Field>
      <FormFoot
        message={message}
        save={say({ code: 'supplier.keep' })}
        leave={say({ code: 'supplier.leave' })}
        onLeave={onDone}
      />
    </form>
  );
}
