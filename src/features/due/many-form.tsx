'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { changeManyAction } from './actions';
import { ChosenTable, type ChosenInstrument } from './chosen-table';
import '@/core/words/en/assets';
import '@/core/words/en/due';

/** One interval for the instruments that were chosen in their list. */
export function ManyForm({ instruments }: { instruments: ChosenInstrument[] }) {
  const router = useRouter();
  const [count, setCount] = useState('');
  const [unit, setUnit] = useState<'months' | 'days'>('months');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<Record<string, string>>({});
  const [says, setSays] = useState('');
  const send = async () => {
    const result = await attempt(() => changeManyAction({ assetIds: instruments.map((one) => one.id), count, unit, reason }));
    setProblem(result.ok ? {} : result.fields);
    setSays(result.ok ? say({ code: 'assets.intervalDone', numbers: result.value }) : result.message);
    if (result.ok) router.refresh();
  };
  return (
    <>
      <form
        className="sheet mb-3"
        onSubmit={(event) => {
          event.preventDefault();
          void send();
        }}
      >
        <p>{say({ code: 'assets.intervalHow' })}</p>
        <div className="row align-items-start">
          <div className="col-md-2">
            <Field label={say({ code: 'policy.count' })} problem={problem.count}>
              <Form.Control value={count} inputMode="numeric" onChange={(event) => setCount(event.target.value)} />
            </Field>
          </div>
          <div className="col-md-2">
            <Field label={say({ code: 'policy.unit' })}>
              <Form.Select value={unit} onChange={(event) => setUnit(event.target.value === 'days' ? 'days' : 'months')}>
                <option value="months">{say({ code: 'policy.months' })}</option>
                <option value="days">{say({ code: 'policy.days' })}</option>
              </Form.Select>
            </Field>
          </div>
          <div className="col-md-6">
            <Field label={say({ code: 'policy.why' })} problem={problem.reason}>
              <Form.Control value={reason} onChange={(event) => setReason(event.target.value)} />
            </Field>
          </div>
        </div>
        <Button type="submit">{say({ code: 'assets.intervalSet' })}</Button> <span role="status">{says}</span>
      </form>
      <ChosenTable instruments={instruments} />
    </>
  );
}
