'use client';
import Form from 'react-bootstrap/Form';
import { Field } from '@/ui/field';
import type { CalculatorField } from './calculator';
import { unitsOf, type Entry } from './evaluate';

interface Props {
  field: CalculatorField;
  entry: Entry;
  problem: string | undefined;
  onText: (text: string) => void;
  onUnit: (unit: string) => void;
}

/** One input of a calculator with its unit and the message that belongs to it. */
export function CalculatorFieldView({ field, entry, problem, onText, onUnit }: Props) {
  const text = entry.texts[field.id] ?? field.initial;
  const units = unitsOf(field);
  const unit = entry.units[field.id] ?? units[0];
  if (field.kind === 'choice') {
    return (
      <Field label={field.label} problem={problem}>
        <Form.Select value={text} onChange={(event) => onText(event.target.value)}>
          {field.choices.map(([value, label]) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </Form.Select>
      </Field>
    );
  }
  if (field.kind === 'rows') {
    return (
      <Field
        label={`${field.label}: ${field.columns.join(' · ')}`}
        problem={problem}
        help={field.help ?? 'One line each, apart by blanks.'}
      >
        <Form.Control
          as="textarea"
          className="mono"
          rows={Math.min(10, Math.max(3, text.split('\n').length + 1))}
          spellCheck={false}
          value={text}
          onChange={(event) => onText(event.target.value)}
        />
      </Field>
    );
  }
  return (
    <div className="calculator-number">
      <div className="flex-grow-1">
        <Field label={field.label} problem={problem} help={field.help}>
          <Form.Control
            className="mono text-end"
            inputMode={field.kind === 'number' ? 'decimal' : 'text'}
            autoComplete="off"
            value={text}
            onChange={(event) => onText(event.target.value)}
          />
        </Field>
      </div>
      {units.length > 1 ? (
        <Form.Select
          className="unit"
          aria-label={`Unit of ${field.label}`}
          value={unit}
          onChange={(event) => onUnit(event.target.value)}
        >
          {units.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Form.Select>
      ) : (
        <span className="unit fixed">{units[0]}</span>
      )}
    </div>
  );
}
