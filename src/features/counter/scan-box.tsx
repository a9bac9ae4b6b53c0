'use client';
import { useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import { attempt } from '@/platform/client/result';
import { useKeys } from '@/ui/use-keys';
import { scanAction } from './actions';

/** Scan first: one field, one key away, that takes a serial, tag, lot, certificate number or code and goes there. */
export function ScanBox() {
  const router = useRouter();
  const field = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  useKeys({ '/': () => field.current?.focus() });
  const go = async (event: React.FormEvent) => {
    event.preventDefault();
    const text = field.current?.value.trim() ?? '';
    if (!text) return;
    setBusy(true);
    const result = await attempt(() => scanAction({ text }));
    setBusy(false);
    if (!result.ok || !result.value) return;
    field.current!.value = '';
    field.current!.blur();
    router.push(result.value);
  };
  return (
    <form className="scan" role="search" onSubmit={go}>
      <input ref={field} aria-label="Scan or type a code" placeholder={busy ? 'Looking …' : 'Scan or type a code'} />
      <kbd aria-hidden>/</kbd>
    </form>
  );
}
