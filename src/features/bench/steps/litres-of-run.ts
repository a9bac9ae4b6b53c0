import type { Procedure, Step } from '@/core/procedure/procedure';

/** Minutes that gas is on for one reading or adjustment (common practice: 45 s to 2 min). */
const MINUTES_A_SPAN = 1.5;
const WASTE = 1.13;

/**
 * Litres that one run of this procedure takes over ALL its gas: as found, span, second look, bump, as left. Flow in L/min.
 *
 * @example
 * litresOfRun(family06, 0.3) // 1.5: found, span, left
 */
export function litresOfRun(procedure: Procedure, flowLPerMin: number): number {
  const gases = new Set(procedure.slots.filter((slot) => slot.kind === 'gas').map((slot) => slot.id));
  const spans = (steps: Step[]): number =>
    steps.reduce((sum, step) => {
      if (step.kind === 'group') return sum + (step.forEach ? Math.min(1, spans(step.steps)) : spans(step.steps));
      return sum + (step.kind === 'stimulus' && step.on && gases.has(step.slot) ? 1 : 0);
    }, 0);
  // What is only done after two failed tries is not counted on.
  const planned = procedure.steps.filter((step) => step.id !== 'failed');
  return spans(planned) * MINUTES_A_SPAN * flowLPerMin * WASTE;
}
