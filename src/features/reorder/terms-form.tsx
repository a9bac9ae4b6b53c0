'use client';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { useSent } from '@/platform/client/use-sent';
import { Field } from '@/ui/field';
import { FormFoot } from '@/ui/form-foot';
import { dropTermsAction, keepTermsAction } from './actions';
import type { SupplyLine } from './server/supply-outlook';
import '@/core/words/en/reorder';

const FIELDS = [
  ['supplier', 'reorder.supplier'],
  ['partNumber', 'reorder.part'],
  ['leadDays', 'reorder.leadDays'],
  ['holds', 'reorder.holds'],
  ['price', 'reorder.price'],
] as const;

/** How one is bought: supplier, part number, how long it takes, what one holds, what it costs. */
export function TermsForm({ name, terms, done }: { name: string; terms: SupplyLine['terms']; done: () => void }) {
  const [given, setGiven] = useState({
    supplier: terms.supplier,
    partNumber: terms.partNumber,
    leadDays: String(terms.leadDays),
    holds: terms.holds === null ? '' : terms.holds.toFixed(1),
    price: terms.price === null ? '' : String(terms.price),
  });
  const { send, problems, message } = useSent();
  const keep = async (event: React.FormEvent) => {
    event.preventDefault();
    if (await send(() => attempt(() => keepTermsAction({ name, ...given, leadDays: given.leadDays as unknown as number }))))
      done();
  };
  return (
    <form onSubmit={keep} noValidate className="mt-2">
      {FIELDS.map(([field, code]) => (
        <Field key={field} label={say({ code })} problem={problems[field]}>
          <Form.Control
            size="sm"
            autoComplete="off"
            value={given[field]}
            onChange={(event) => setGiven({ ...given, [field]: event.target.value })}
          />
        </Field>
      ))}
      <FormFoot
        message={Object.keys(problems).length ? '' : message}
        save={say({ code: 'reorder.save' })}
        leave={say({ code: 'reorder.leave' })}
        onLeave={done}
        end={
          terms.own
            ? {
                label: say({ code: 'reorder.drop' }),
                act: () => void send(() => attempt(() => dropTermsAction({ name }))).then((good) => good && done()),
              }
            : undefined
        }
      />
    </form>
  );
}
