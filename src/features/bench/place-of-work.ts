import type { WorkshopSettings } from '@/platform/settings';

/**
 * Where a bench place is, where the workshop has a second place of work and the bench place is there; undefined elsewhere.
 *
 * @example
 * secondPlaceOf({ secondPlace: 'Service van', secondFrom: 11 }, 12) // 'Service van'
 */
export const secondPlaceOf = (
  { secondPlace, secondFrom }: Pick<WorkshopSettings, 'secondPlace' | 'secondFrom'>,
  place: number | null,
): string | undefined => (secondPlace && secondFrom > 0 && place !== null && place >= secondFrom ? secondPlace : undefined);
