import { requireAbove, requireRange } from '../range-error';
import { roundHalfEven } from '../quantity/round-half-even';
import { roundUncertainty } from '../quantity/round-uncertainty';
import { combine, type CombinedUncertainty } from './combine';

export type Distribution = 'normal' | 'rectangular' | 'triangular' | 'u-shaped';

/** Half-width over standard deviation: JCGM 100:2008, 4.3.7 (rectangular), 4.3.9 (triangular), F.2.3.3 note and H.1.3.4 (U-shaped). A normal one is given with its own k. */
const DIVISORS: Record<Exclude<Distribution, 'normal'>, number> = {
  rectangular: Math.sqrt(3),
  triangular: Math.sqrt(6),
  'u-shaped': Math.SQRT2,
};

/** One line of a budget: from repeated readings (type A) or from anything else (type B). */
export type BudgetComponent = { name: string; sensitivity?: number } & (
  { type: 'A'; readings: number[] } | { type: 'B'; distribution: Distribution; halfWidth: number; k?: number; dof?: number }
);

export interface BudgetLine {
  name: string;
  type: 'A' | 'B';
  standard: number;
  divisor: number;
  sensitivity: number;
  dof: number;
  contribution: number;
  sharePercent: number;
}
export interface Budget extends CombinedUncertainty {
  lines: BudgetLine[];
  statement: string | null;
}

/**
 * A whole uncertainty budget: each component's standard uncertainty, its share, and the combined and expanded uncertainty.
 * Quantity: the result's unit once multiplied by the sensitivity. Type A: at least two readings, standard deviation of their mean. Type B: half-width at least 0 and its distribution
 * (normal: divided by its k, 2 by default). Coverage in (0, 1), 0.9545 by default. With `result` a statement rounded to the uncertainty's two digits comes along.
 * Errors: RangeError naming the component. Source: JCGM 100:2008, 4.2 (type A), 4.3 (type B), 5.1.2, 7.2.6, G.4.
 *
 * @example
 * budget({ components: [{ name: 'reference', type: 'B', distribution: 'normal', halfWidth: 2 }, { name: 'resolution', type: 'B', distribution: 'rectangular', halfWidth: 0.5 }], result: 98 }).statement
 * // '98.0 ± 2.1'
 */
export function budget({
  components,
  coverage = 0.9545,
  result,
}: {
  components: BudgetComponent[];
  coverage?: number;
  result?: number;
}): Budget {
  if (components.length === 0) throw new RangeError('components must hold at least one component, got 0');
  const raw = components.map((component, index) => ({
    name: component.name,
    type: component.type,
    sensitivity: component.sensitivity ?? 1,
    ...standardOf(component, index),
  }));
  const combined = combine({ components: raw, coverage });
  const lines = raw.map((line) => {
    const contribution = Math.abs(line.standard * line.sensitivity);
    return { ...line, contribution, sharePercent: combined.standard === 0 ? 0 : (contribution / combined.standard) ** 2 * 100 };
  });
  return {
    ...combined,
    lines,
    statement: result === undefined || combined.expanded === 0 ? null : statement(result, combined.expanded),
  };
}

function standardOf(component: BudgetComponent, index: number): { standard: number; divisor: number; dof: number } {
  if (component.type === 'A') {
    const { readings } = component;
    if (readings.length < 2)
      throw new RangeError(`components[${index}].readings must hold at least two readings, got ${readings.length}`);
    readings.forEach((reading) => requireRange(`components[${index}].readings`, reading, -Infinity, Infinity));
    const mean = readings.reduce((sum, reading) => sum + reading, 0) / readings.length;
    const variance = readings.reduce((sum, reading) => sum + (reading - mean) ** 2, 0) / (readings.length - 1);
    return { standard: Math.sqrt(variance / readings.length), divisor: 1, dof: readings.length - 1 };
  }
  requireRange(`components[${index}].halfWidth`, component.halfWidth, 0, Infinity);
  const divisor = component.distribution === 'normal' ? (component.k ?? 2) : DIVISORS[component.distribution];
  requireAbove(`components[${index}].k`, divisor, 0);
  return { standard: component.halfWidth / divisor, divisor, dof: component.dof ?? Infinity };
}

/** The result beside its uncertainty, rounded to match it (JCGM 100:2008, 7.2.6). */
function statement(result: number, expanded: number): string {
  requireRange('result', result, -Infinity, Infinity);
  const rounded = roundUncertainty({ expanded });
  return `${roundHalfEven({ value: result, places: rounded.places })} ± ${rounded.text}`;
}
