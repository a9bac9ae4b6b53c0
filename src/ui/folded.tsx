'use client';
import { useEffect, useRef, useState, type ReactNode } from 'react';

interface Props {
  summary: string;
  testId?: string;
  className?: string;
  children: () => ReactNode;
}

/** What somebody may want, under a line that opens it. It is drawn when it is opened first and stays then, with what was typed: a page doesn't pay for forms that nobody asks for. */
export function Folded({ summary, testId, className = 'mt-3', children }: Props) {
  const [wanted, setWanted] = useState(false);
  const here = useRef<HTMLDetailsElement>(null);
  // Whoever opens it before the page has woken up has opened it as well.
  useEffect(() => {
    if (here.current?.open) setWanted(true);
  }, []);
  return (
    <details ref={here} className={className} data-testid={testId} onToggle={() => setWanted(true)}>
      <summary>{summary}</summary>
      {wanted && children()}
    </details>
  );
}
