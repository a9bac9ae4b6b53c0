'use client';
import Form from 'react-bootstrap/Form';
import { SAMPLE_RANGE, type SampleQuantity } from '@/core/instrument/samples';
import { say } from '@/core/words/say';
import { Field } from '@/ui/field';
import '@/core/words/en/samples';

/** The highest of the samples, where the procedure chooses by it. */
export function SamplesFields({
  asked,
  typed,
  problems,
  onChange,
}: {
  asked: SampleQuantity[];
  typed: { [quantity in SampleQuantity]?: string };
  problems: Record<string, string>;
  onChange: (typed: { [quantity in SampleQuantity]?: string }) => void;
}) {
  return (
    <div className="d-flex flex-wrap gap-3 align-items-end">
      {asked.map((quantity) => (
        <Field
          key={quantity}
          label={say({ code: `samples.${quantity}`, numbers: { unit: SAMPLE_RANGE[quantity].unit } })}
          problem={problems[quantity]}
        >
          <Form.Control
            className="mono"
            inputMode="decimal"
            style={{ width: '11rem' }}
            placeholder={say({ code: 'samples.unknown' })}
            value={typed[quantity] ?? ''}
            onChange={(event) => onChange({ ...typed, [quantity]: event.target.value })}
          />
        </Field>
      ))}
      <p className="quiet small mb-3">{say({ code: 'samples.why' })}</p>
    </div>
  );
}
