'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { SPARE_KINDS, type SpareKind } from '@/core/supply/spare';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { keepSpareAction } from './actions';
import type { Spare } from './server/spares';
import '@/core/words/en/stock';

const EMPTY = { kind: 'sensor' as SpareKind, name: '', partNumber: '', serial: '', shelfUntil: '', place: '', quantity: '1' };
const FIELDS = [
  ['name', '15rem'],
  ['partNumber', '8rem'],
  ['serial', '9rem'],
  ['shelfUntil', '11rem'],
  ['place', '7rem'],
  ['quantity', '5rem'],
] as const;

/** A new spare, or one that is corrected: its count as well, after somebody counted. */
export function SpareForm({ spare, done }: { spare: Spare | null; done: () => void }) {
  const router = useRouter();
  const [given, setGiven] = useState(
    spare ? { ...spare, shelfUntil: spare.shelfUntil ?? '', quantity: String(spare.quantity) } : EMPTY,
  );
  const [problems, setProblems] = useState<Record<string, string>>({});
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const { kind, name, partNumber, serial, shelfUntil, place } = given;
    const result = await attempt(() =>
      keepSpareAction({
        ...(spare ? { itemId: spare.id, version: spare.version } : {}),
        ...{ kind, name, partNumber, serial, place },
        shelfUntil: shelfUntil || null,
        quantity: Number(given.quantity),
      }),
    );
    setProblems(result.ok ? {} : { name: Object.keys(result.fields).length ? '' : result.message, ...result.fields });
    if (!result.ok) return;
    setGiven(EMPTY);
    done();
    router.refresh();
  };
  return (
    <form className="d-flex flex-wrap gap-3 align-items-start" onSubmit={send} noValidate data-testid="spare-form">
      <Field label={say({ code: 'spare.kind' })} problem={problems.kind}>
        <FormSelect value={given.kind} onChange={(event) => setGiven({ ...given, kind: event.target.value as SpareKind })}>
          {SPARE_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {say({ code: `spare.kind.${kind}` })}
            </option>
          ))}
        </FormSelect>
      </Field>
      {FIELDS.map(([name, width]) => (
        <Field key={name} label={say({ code: `spare.${name}` })} problem={problems[name]}>
          {name === 'shelfUntil' ? (
            <DayInput value={given.shelfUntil} onChange={(value) => setGiven({ ...given, shelfUntil: value })} />
          ) : (
            <FormControl
              style={{ width }}
              className={name === 'name' || name === 'place' ? '' : 'mono'}
              value={given[name]}
              onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
            />
          )}
        </Field>
      ))}
      <div className="d-flex gap-2 pt-4 mt-1">
        <Button type="submit">{say({ code: spare ? 'spare.save' : 'spare.add' })}</Button>
        {spare && (
          <Button variant="plain" onClick={done}>
            {say({ code: 'spare.leave' })}
          </Button>
        )}
      </div>
    </form>
  );
}
