import type { Procedure } from '../procedure/procedure';
import { plan } from '../run/plan';
import type { RunState } from '../run/state';

/** Points that belong on the certificate: those this run asked for as found or as left. What only served the calibration itself stands under adjustments. */
export function statedPoints(procedure: Procedure, state: RunState): Procedure['points'] {
  const asked = new Set(
    plan(procedure, state).flatMap(({ step }) =>
      step.kind === 'read' && (step.phase === 'asFound' || step.phase === 'asLeft') ? step.points : [],
    ),
  );
  return procedure.points.filter((point) => asked.has(point.id));
}
