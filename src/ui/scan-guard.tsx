'use client';
import { useEffect } from 'react';
import { BurstWatch } from './burst';

export const SCANNED = 'werkbank-scanned';
/** After the last key of a scan without an end mark, ms. */
const END_MS = 90;

let watch = new BurstWatch();
/** Whether a key of this time was one of a scanner's. */
export const wasScanned = (at: number): boolean => watch.covers(at);

interface Held {
  field: HTMLInputElement | HTMLTextAreaElement;
  before: string;
}

/**
 * Takes what a scanner types wherever it lands: no key of it does anything, no digit of it stays in a field of the bench, and it goes where a scan goes.
 * Fields outside the bench that want a scan (a serial, a lot) keep it.
 */
export function ScanGuard() {
  useEffect(() => {
    let held: Held | null = null;
    let end = 0;
    const finish = () => {
      window.clearTimeout(end);
      const text = watch.take().trim();
      if (held) restore(held);
      held = null;
      if (text) window.dispatchEvent(new CustomEvent(SCANNED, { detail: text }));
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || !event.isTrusted) return;
      const target = event.target as HTMLElement;
      const field = target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement ? target : null;
      if (field && !isGuarded(field)) return;
      if (event.key === 'Enter' && watch.isBurst()) {
        stop(event);
        finish();
        return;
      }
      if (event.key.length !== 1) return;
      const before = field?.value ?? '';
      const { first, burst } = watch.add(event.key, event.timeStamp);
      if (first) held = field ? { field, before } : null;
      if (!burst) return;
      stop(event);
      window.clearTimeout(end);
      end = window.setTimeout(finish, END_MS);
    };
    window.addEventListener('keydown', onKey, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.clearTimeout(end);
      watch = new BurstWatch();
    };
  }, []);
  return null;
}

const isGuarded = (field: HTMLElement) => field.closest('[data-bench]') !== null && !field.closest('[data-takes-scan]');

function stop(event: KeyboardEvent): void {
  event.preventDefault();
  event.stopImmediatePropagation();
}

/** Puts back what stood in the field before the scanner typed into it, in a way that the form's own state hears. */
function restore({ field, before }: Held): void {
  const owner = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  Object.getOwnPropertyDescriptor(owner.prototype, 'value')!.set!.call(field, before);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}
