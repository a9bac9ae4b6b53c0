'use client';
import type { LineKind } from '@/data/schema';
import type { RunView } from '../server/run-view';
import { useLive } from '../live/use-live';

const RULE = (resolution: string) => ({ resolution, tolerance: null, expectedChange: null });
const WORD: Partial<Record<LineKind, string>> = { barometer: 'Barometer', hygrometer: 'Hygrometer', thermometer: 'Thermometer' };

/** Reads a piece of bench equipment off its line. Its own due date and acceptance count: what may not be used is not read. */
export function LineKey({
  view,
  kind,
  slot,
  unit,
  onTake,
}: {
  view: RunView;
  kind: 'barometer' | 'hygrometer' | 'thermometer';
  slot: number;
  unit: string;
  /** The figure, and the piece on the shelf that showed it. */
  onTake: (text: string, reference: string | undefined) => void;
}) {
  const line = view.benchLines.find((one) => one.kind === kind && one.state === 'connected') ?? null;
  const live = useLive(line?.id ?? null, { [slot]: RULE('0.1') }, null);
  if (!line) return null;
  const own = view.shelf.find((one) => one.role === kind && one.lot === line.serial);
  const overdue = own?.expires !== undefined && own.expires < view.today;
  const look = live.looks[slot];
  if (overdue || own?.unusable)
    return (
      <p className="field-problem">
        {WORD[kind]} {line.serial} {overdue ? `was due on ${own.expires}` : `is ${own.unusable}`}: it is not read.
      </p>
    );
  return (
    <button
      type="button"
      data-line-take
      className="btn btn-plain btn-sm"
      disabled={!look}
      onClick={() => look && onTake(look.text, own?.id)}
    >
      {WORD[kind]} {look ? <span className="mono">{look.text}</span> : '…'} {unit}: take it
    </button>
  );
}
