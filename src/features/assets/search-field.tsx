'use client';
import { useEffect, useRef } from 'react';
import { useRouter } from 'next/navigation';
import Form from 'react-bootstrap/Form';

/** Searches as one types; the address carries the search, so that it survives a reload and can be shared. */
export function SearchField({ initial }: { initial: string }) {
  const router = useRouter();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const type = (text: string) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(
      () => router.replace(text.trim() ? `/assets?q=${encodeURIComponent(text.trim())}` : '/assets'),
      220,
    );
  };
  return (
    <Form.Control
      className="mb-3"
      style={{ maxWidth: '28rem' }}
      defaultValue={initial}
      onChange={(event) => type(event.target.value)}
      placeholder="Serial, tag, maker, model or customer"
      aria-label="Search instruments"
      autoFocus
    />
  );
}
