'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { stateScopeAction } from './actions';
import type { ScopeLine, ScopeQuantity } from './scope-line';
import '@/core/words/en/budgets-room';

const EMPTY = { lowest: '', highest: '', smallest: '', form: 'absolute' as ScopeLine['form'] };

/** A line of the scope, new or in the place of another. */
export function ScopeForm({
  replaces,
  quantities,
  onDone,
}: {
  replaces: ScopeLine | null;
  quantities: ScopeQuantity[];
  onDone: () => void;
}) {
  const router = useRouter();
  const [typed, setTyped] = useState(() => {
    const { measurand, unit, lowest, highest, smallest, form } = replaces ?? {
      ...EMPTY,
      measurand: quantities[0]!.measurand,
      unit: quantities[0]!.units[0]!,
    };
    return { measurand, unit, lowest, highest, smallest, form };
  });
  const [fields, setFields] = useState<Record<string, string>>({});
  const units = quantities.find((one) => one.measurand === typed.measurand)!.units;
  const set = (change: Partial<typeof typed>) => setTyped({ ...typed, ...change });
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => stateScopeAction({ ...typed, replaces: replaces?.id ?? null }));
    setFields(result.ok ? {} : { ...result.fields, ...(Object.keys(result.fields).length ? {} : { lowest: result.message }) });
    if (!result.ok) return;
    setTyped({ ...typed, ...EMPTY });
    onDone();
    router.refresh();
  };
  return (
    <>
      <h3>
        {replaces
          ? say({
              code: 'budgets.correcting',
              numbers: {
                measurand: replaces.measurand,
                lowest: replaces.lowest,
                highest: replaces.highest,
                unit: replaces.unit,
              },
            })
          : say({ code: 'budgets.newScope' })}
      </h3>
      <form onSubmit={send} className="row g-2">
        <div className="col-md-3">
          <Field label={say({ code: 'budgets.measurand' })} problem={fields.measurand}>
            <Form.Select
              value={typed.measurand}
              onChange={(event) =>
                set({
                  measurand: event.target.value,
                  unit: quantities.find((one) => one.measurand === event.target.value)!.units[0]!,
                })
              }
            >
              {quantities.map((one) => (
                <option key={one.measurand}>{one.measurand}</option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-1">
          <Field label={say({ code: 'budgets.unit' })} problem={fields.unit}>
            <Form.Select value={typed.unit} onChange={(event) => set({ unit: event.target.value })}>
              {units.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </Form.Select>
          </Field>
        </div>
        {(['lowest', 'highest', 'smallest'] as const).map((name) => (
          <div className="col-md-2" key={name}>
            <Field
              label={say({
                code: name === 'lowest' ? 'budgets.from' : name === 'highest' ? 'budgets.to' : 'budgets.smallest',
              })}
              problem={fields[name]}
            >
              <Form.Control className="mono" value={typed[name]} onChange={(event) => set({ [name]: event.target.value })} />
            </Field>
          </div>
        ))}
        <div className="col-md-2">
          <Field label={say({ code: 'budgets.smallestIn' })} problem={fields.form}>
            <Form.Select
              value={typed.form}
              onChange={(event) => set({ form: event.target.value === 'percent' ? 'percent' : 'absolute' })}
            >
              <option value="absolute">{say({ code: 'budgets.inUnit' })}</option>
              <option value="percent">{say({ code: 'budgets.percent' })}</option>
            </Form.Select>
          </Field>
        </div>
        <div className="col-12 d-flex gap-2">
          <Button type="submit" variant="plain">
            {say({ code: replaces ? 'budgets.correct' : 'budgets.state' })}
          </Button>
          {replaces && (
            <Button variant="plain" onClick={onDone}>
              {say({ code: 'budgets.leave' })}
            </Button>
          )}
        </div>
      </form>
    </>
  );
}
