'use client';
import type { PlannedStep } from '@/core/run/plan-node';
import type { SheetOfRun } from './sheets-of';

/** A combined instrument has several sheets, worked in any order: which one is in hand, and how far each is. */
export function SheetChips({
  sheets,
  present,
  choose,
}: {
  sheets: SheetOfRun[];
  present: PlannedStep | undefined;
  choose: (id: string) => void;
}) {
  if (sheets.length < 2) return null;
  return (
    <div className="sheet-chips" role="tablist" aria-label="Sheets of this instrument">
      {sheets.map((one) => {
        const here = present !== undefined && one.keys.includes(present.key);
        const left = one.total - one.done;
        return (
          <button
            key={one.id}
            type="button"
            role="tab"
            aria-selected={here}
            className={`sheet-chip${here ? ' here' : ''}${left === 0 ? ' done' : ''}`}
            onClick={() => choose(one.id)}
            disabled={left === 0}
          >
            {one.name}
            <span className="quiet small"> {left === 0 ? 'done' : `${one.done} of ${one.total}`}</span>
          </button>
        );
      })}
    </div>
  );
}
