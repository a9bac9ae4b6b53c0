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
}: {
  base: string;
  initial: string;
  label: string;
  placeholder: string;
}) {
  const router = useRouter();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const type = (text: string) => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => router.replace(text.trim() ? `${base}?q=${encodeURIComponent(text.trim())}` : base), 220);
  };
  return (
    <Form.Control
      className="mb-3"
      style={{ maxWidth: '28rem' }}
      defaultValue={initial}
      onChange={(event) => type(event.target.value)}
      placeholder={placeholder}
      aria-label={label}
      autoFocus
    />
  );
}
