'use client';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { MaterialComponent } from '@/core/record/reference-snapshot';
import { say } from '@/core/words/say';
import { valueAt } from '@/core/measurand/liquid-value';
import { Field } from '@/ui/field';

const LIQUID_UNITS = ['pH', 'µS/cm', 'mS/cm', 'mV'];

/** What a buffer or standard is worth at the measured temperature, with what that is computed from; its own table where it has one. */
export function ValueAt({ component }: { component: MaterialComponent }) {
  const [temperature, setTemperature] = useState('');
  if (!LIQUID_UNITS.includes(component.unit)) return null;
  const number = /^[+-]?\d+(\.\d+)?$/.test(temperature.trim()) ? Number(temperature) : null;
  const found = number === null ? null : valueAt(component, number);
  const problem =
    temperature && (number === null ? 'A temperature in °C, such as 22.4.' : found && 'refused' in found ? found.sentence : '');
  return (
    <div className="value-at mb-3" data-testid={`value-at-${component.substance}`}>
      <div className="d-flex flex-wrap gap-3 align-items-end">
        <Field label={`${component.substance} at, °C`} problem={problem || undefined}>
          <Form.Control
            className="mono"
            style={{ width: '7rem' }}
            inputMode="decimal"
            value={temperature}
            onChange={(event) => setTemperature(event.target.value)}
          />
        </Field>
        {found && !('refused' in found) && (
          <p className="mb-2">
            <span className="fs-4 fw-semibold mono">{found.value.toFixed(component.unit === 'pH' ? 3 : found.places)}</span>{' '}
            {component.unit} <span className="quiet small">{say(found.table)}</span>
          </p>
        )}
      </div>
      {component.table && (
        <table className="table table-sm mb-0 small">
          <tbody>
            <tr>
              <th>°C</th>
              {component.table.map(([t]) => (
                <td key={t} className="mono">
                  {t}
                </td>
              ))}
            </tr>
            <tr>
              <th>{component.unit}</th>
              {component.table.map(([t, value]) => (
                <td key={t} className="mono">
                  {value}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      )}
    </div>
  );
}
