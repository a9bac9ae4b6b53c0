'use client';
import { useEffect, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import { attempt } from '@/platform/client/result';
import { SCANNED, ScanGuard } from '@/ui/scan-guard';
import { useKeys } from '@/ui/use-keys';
import { scanAction } from './actions';
import { CameraScan } from './camera-scan';

/** Scan first: one field, one key away, that takes a serial, tag, lot, certificate number or code and goes there. */
export function ScanBox() {
  const router = useRouter();
  const field = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  useKeys({ '/': () => field.current?.focus() });
  const look = async (text: string) => {
    if (!text) return;
    setBusy(true);
    const result = await attempt(() => scanAction({ text }));
    setBusy(false);
    if (!result.ok || !result.value) return;
    field.current!.value = '';
    field.current!.blur();
    router.push(result.value);
  };
  const go = (event: React.FormEvent) => {
    event.preventDefault();
    void look(field.current?.value.trim() ?? '');
  };
  const latest = useRef(look);
  useEffect(() => {
    latest.current = look;
  });
  useEffect(() => {
    const scanned = (event: Event) => void latest.current((event as CustomEvent<string>).detail);
    window.addEventListener(SCANNED, scanned);
    return () => window.removeEventListener(SCANNED, scanned);
  }, []);
  return (
    <form className="scan" role="search" onSubmit={go} data-takes-scan>
      <ScanGuard />
      <input ref={field} aria-label="Scan or type a code" placeholder={busy ? 'Looking …' : 'Scan or type a code'} />
      <kbd aria-hidden>/</kbd>
      <CameraScan onCode={(text) => void look(text)} />
    </form>
  );
}
