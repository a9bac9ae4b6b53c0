'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';

interface Props<One> {
  title: string;
  /** Said where there is none. */
  none: string;
  /** On the button that adds one. */
  add: string;
  testId: string;
  all: readonly One[];
  mayKeep: boolean;
  line: (one: One, correct: () => void) => React.ReactNode;
  /** One that is corrected, or a new one. */
  form: (one: One | undefined, done: () => void) => React.ReactNode;
  /** Between the lines and the button. */
  after?: React.ReactNode;
}

/** A few things of a customer: each a line until it is corrected, and at the end a way to add one. One form is open at a time. */
export function KeptList<One extends { id: string }>({ title, none, add, testId, all, mayKeep, line, form, after }: Props<One>) {
  const [open, setOpen] = useState<string | null>(null);
  const close = () => setOpen(null);
  return (
    <section className="sheet mt-3" data-testid={testId}>
      <h2>{title}</h2>
      {all.length === 0 && open === null && <p className="quiet">{none}</p>}
      {all.map((one) => (
        <div key={one.id}>{open === one.id ? form(one, close) : line(one, () => setOpen(one.id))}</div>
      ))}
      {after}
      {mayKeep &&
        (open === 'new' ? (
          form(undefined, close)
        ) : (
          <Button variant="plain" size="sm" onClick={() => setOpen('new')}>
            {add}
          </Button>
        ))}
    </section>
  );
}
