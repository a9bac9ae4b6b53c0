import type { Procedure } from '@/core/procedure/procedure';
import { family03 } from './family-03-digital-ph-meter';
import { family04 } from './family-04-four-gas-leak-monitor';
import { family15 } from './family-15-hydrogen-breath-monitor';
import { family18 } from './family-18-automatic-station';
import { family21 } from './family-21-five-gas-pentane-scale';

/** The procedures that ship. Stored and frozen in the database when a run first uses them. */
export const PROCEDURES: Procedure[] = [family03, family04, family15, family18, family21];

export function shippedProcedure(id: string): Procedure | undefined {
  return PROCEDURES.find((procedure) => procedure.id === id);
}
