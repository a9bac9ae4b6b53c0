import type { CareMaterial } from '@/core/procedure/procedure';
import { careMaterialSpent } from '@/core/run/handle-care';
import type { ScriptedRun } from '@/core/run/scripted';

/** One of each kind that the care takes, good on the day of the run; what the shelf lacked then, the customer brought. */
export function careFrom({ options, now }: ScriptedRun, takes: readonly CareMaterial[]): { materials: string[]; note?: string } {
  const today = now.toISOString().slice(0, 10);
  const materials = takes.flatMap((role) => {
    const found = options.references.find((one) => one.role === role && !careMaterialSpent(one, today));
    return found ? [found.id] : [];
  });
  return { materials, ...(materials.length < takes.length ? { note: 'brought by the customer' } : {}) };
}
