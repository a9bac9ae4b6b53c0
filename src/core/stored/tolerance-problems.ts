import type { Tolerance } from '../record/tolerance';
import type { ModelProblem } from './model-problem';
import '@/core/words/en/certificate';
import '@/core/words/en/models';

/**
 * What keeps a tolerance from being judged: none is stated, it is not above zero, or it lies under the step of the display. Empty where nothing does. `tolerance` and `resolution` are decimal texts in `unit`.
 * Source: common practice (a display that shows whole units can't be judged to a half).
 *
 * @example
 * toleranceProblems({ tolerance: { absolute: '0.5' }, resolution: '1', unit: 'ppm' })
 * // [{ field: 'tolerance.absolute', code: 'model.toleranceStep', numbers: { step: '1', unit: 'ppm' } }]
 */
export function toleranceProblems({
  tolerance,
  resolution,
  unit,
}: {
  tolerance: Tolerance;
  resolution: string;
  unit: string;
}): ModelProblem[] {
  const problems: ModelProblem[] = [];
  if (!tolerance.absolute && !tolerance.percentOfTarget)
    problems.push({ field: 'tolerance.absolute', code: 'model.noTolerance' });
  for (const part of ['absolute', 'percentOfTarget', 'zero'] as const)
    if (tolerance[part] !== undefined && !(Number(tolerance[part]) > 0))
      problems.push({ field: `tolerance.${part}`, code: 'model.tolerancePositive' });
  for (const part of ['absolute', 'zero'] as const)
    if (tolerance[part] !== undefined && Number(tolerance[part]) > 0 && Number(tolerance[part]) < Number(resolution))
      problems.push({ field: `tolerance.${part}`, code: 'model.toleranceStep', numbers: { step: resolution, unit } });
  return problems;
}
