import { isRefusal } from '../words/refusal';
import type { InfluenceContext, Measurand } from './measurand';

/**
 * How much the target changes with one of the figures it is computed from: the slope of the target itself, by a step either way (JCGM 100:2008, 5.1.3).
 * 0 where the target does not depend on it or can't be worked out beside.
 *
 * @example
 * movedBy(context, pH.target, 'temperatureC', 0.5) // −0.003 pH a degree in buffer 7
 */
export function movedBy(context: InfluenceContext, target: Measurand['target'], input: string, step: number): number {
  const at = Number(context.inputs[input] ?? context.target.inputs[input]);
  if (!Number.isFinite(at)) return 0;
  const value = (to: number): number | null => {
    const moved = target({ ...context, inputs: { ...context.inputs, [input]: String(to), unrounded: 'yes' } });
    return moved === null || isRefusal(moved) ? null : Number(moved.value);
  };
  const [low, high] = [value(at - step), value(at + step)];
  if (low !== null && high !== null) return (high - low) / (2 * step);
  const here = value(at);
  // At the end of a table the slope of one side has to do.
  if (here !== null && high !== null) return (high - here) / step;
  return here !== null && low !== null ? (here - low) / step : 0;
}
