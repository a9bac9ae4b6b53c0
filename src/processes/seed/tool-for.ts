import type { Slot } from '@/core/procedure/procedure';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';

/** The piece of equipment that a place asks for: of the kind it takes, bringing what it needs. */
export function toolFor(slot: Slot, references: ReferenceSnapshot[]): ReferenceSnapshot {
  const found = references.find(
    (one) =>
      one.kind === 'tool' &&
      (!slot.roles || slot.roles.includes(one.role ?? '')) &&
      (Array.isArray(slot.needs) ? slot.needs : []).every((need) => one.components.some((part) => part.substance === need)),
  );
  if (!found) throw new Error(`the demo's shelf has no ${slot.label} on that day`);
  return found;
}
