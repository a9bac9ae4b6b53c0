/** What a workshop keeps to fit into customers' instruments. */
export const SPARE_KINDS = ['sensor', 'filter', 'membrane', 'electrolyte', 'battery', 'part'] as const;
export type SpareKind = (typeof SPARE_KINDS)[number];

export type SpareRefusal = 'ended' | 'expired' | 'tooFew';

/**
 * Whether so many of a spare may be fitted on a day; null where they may. A sensor or electrolyte past the maker's shelf life measures nothing that can be promised (common practice; makers print the date on the package).
 * `day`, `shelfUntil`: YYYY-MM-DD, its last day counts as good; `quantity`, `wanted`: pieces.
 *
 * @example
 * spareRefusal({ quantity: 2, shelfUntil: '2026-11-27', ended: false }, { day: '2026-11-28', wanted: 1 }) // 'expired'
 */
export function spareRefusal(
  spare: { quantity: number; shelfUntil: string | null; ended: boolean },
  { day, wanted }: { day: string; wanted: number },
): SpareRefusal | null {
  if (spare.ended) return 'ended';
  if (spare.shelfUntil !== null && spare.shelfUntil < day) return 'expired';
  return spare.quantity < wanted ? 'tooFew' : null;
}
