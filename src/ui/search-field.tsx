'use client';
import { useEffect, useRef } from 'react';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';

/** Searches as one types; the address carries the search, so that it survives a reload and can be shared. */
export function SearchField({
  base,
  initial,
  label,
  placeholder,
  keep = {},
}: {
  base: string;
  /** What else stands in the address and stays there. */
  keep?: Record<string, string>;
  initial: string;
  label: string;
  placeholder: string;
}) {
  const router = useRouter();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const waiting = useRef<string | null>(null);
  const go = (text: string) => {
    clearTimeout(timer.current);
    waiting.current = null;
    const query = new URLSearchParams({ ...keep, ...(text.trim() ? { q: text.trim() } : {}) });
    router.replace(query.size ? `${base}?${query}` : base);
  };
  const type = (text: string) => {
    clearTimeout(timer.current);
    waiting.current = text;
    timer.current = setTimeout(() => go(text), 220);
  };
  return (
    <Form.Control
      className="mb-3"
      style={{ maxWidth: '28rem' }}
      defaultValue={initial}
      onChange={(event) => type(event.target.value)}
      // Whoever presses a link at once goes there, and not to what was still to be looked for.
      onBlur={() => waiting.current !== null && go(waiting.current)}
      placeholder={placeholder}
      aria-label={label}
      autoFocus
    />
  );
}
