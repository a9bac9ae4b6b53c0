'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { PlannedStep } from '@/core/run/plan';
import { Field } from '@/ui/field';
import { useKept } from '@/ui/use-kept';
import { BarometerKey } from './barometer-key';
import type { Sheet } from '../sheet';

const NO_FIGURES: Record<string, string> = {};
const QUANTITIES = {
  temperatureC: ['Temperature, °C', '21.5'],
  pressureHPa: ['Air pressure, hPa', '1013'],
  humidityPercent: ['Relative humidity, %', '45'],
} as const;

/** Temperature, pressure, humidity. A barometer on a line is read by a press; an overdue one is not. */
export function ConditionStep({
  sheet,
  present,
  quantities,
}: {
  sheet: Sheet;
  present: PlannedStep;
  quantities: (keyof typeof QUANTITIES)[];
}) {
  const { run, view } = sheet;
  const [values, keep] = useKept(`${run.state.run}/${present.key}`, NO_FIGURES);
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const refused = await run.send({ type: 'completeStep', step: present.key, conditions: values });
    setProblem(refused ? { field: refused.field ?? '', text: refused.sentence } : null);
  };
  return (
    <form onSubmit={send}>
      <div className="d-flex flex-wrap gap-3">
        {quantities.map((quantity, index) => (
          <div key={quantity} style={{ width: '11rem' }}>
            <Field label={QUANTITIES[quantity][0]} problem={problem?.field === quantity ? problem.text : undefined}>
              <Form.Control
                className="mono"
                inputMode="decimal"
                autoFocus={index === 0}
                placeholder={QUANTITIES[quantity][1]}
                value={values[quantity] ?? ''}
                onChange={(event) => keep({ ...values, [quantity]: event.target.value.trim() })}
              />
            </Field>
            {quantity === 'pressureHPa' && <BarometerKey view={view} onTake={(text) => keep({ ...values, pressureHPa: text })} />}
          </div>
        ))}
      </div>
      <Button data-main-action type="submit" size="lg" disabled={run.busy} className="mt-2">
        Record <kbd>N</kbd>
      </Button>
    </form>
  );
}
