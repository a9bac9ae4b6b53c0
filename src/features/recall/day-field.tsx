'use client';
import { useState } from 'react';
import { say } from '@/core/words/say';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import '@/core/words/en/recall';

/** One end of a span of days, in a form that the browser sends itself. */
export function DayField({ name, value }: { name: 'from' | 'to'; value: string }) {
  const [day, setDay] = useState(value);
  return (
    <Field label={say({ code: `trace.${name}` })}>
      <DayInput name={name} value={day} onChange={setDay} />
    </Field>
  );
}
