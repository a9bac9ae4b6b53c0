'use client';
import type { RunView } from '../server/run-view';
import { useLive } from '../live/use-live';

const RULES = { 1: { resolution: '0.1', tolerance: null, expectedChange: null } };

/** Reads the bench's barometer off its line. Its own due date counts: overdue equipment is not read. */
export function BarometerKey({ view, onTake }: { view: RunView; onTake: (text: string) => void }) {
  const line = view.benchLines.find((one) => one.kind === 'barometer' && one.state === 'connected') ?? null;
  const live = useLive(line?.id ?? null, RULES, null);
  if (!line) return null;
  const own = view.shelf.find((one) => one.role === 'barometer' && one.lot === line.serial);
  const overdue = own?.expires !== undefined && own.expires < view.today;
  const look = live.looks[1];
  if (overdue || own?.unusable)
    return (
      <p className="field-problem">
        Barometer {line.serial} {overdue ? `was due on ${own.expires}` : `is ${own.unusable}`}: it is not read.
      </p>
    );
  return (
    <button type="button" className="btn btn-plain btn-sm" disabled={!look} onClick={() => look && onTake(look.text)}>
      Barometer {look ? <span className="mono">{look.text}</span> : '…'} hPa: take it
    </button>
  );
}
