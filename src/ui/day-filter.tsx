'use client';
import { useState } from 'react';
import { DayInput } from './day-input';

/** A day in a form that the browser sends itself. */
export function DayFilter({ name, initial }: { name: string; initial: string }) {
  const [value, setValue] = useState(initial);
  return <DayInput name={name} value={value} onChange={setValue} />;
}
