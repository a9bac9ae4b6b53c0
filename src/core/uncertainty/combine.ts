import { requireAbove, requireRange } from '../range-error';
import { coverageFactor } from './student';

export interface UncertaintyComponent {
  standard: number;
  sensitivity?: number;
  dof?: number;
}

export interface CombinedUncertainty {
  standard: number;
  effectiveDof: number;
  k: number;
  expanded: number;
}

/**
 * Combined and expanded uncertainty of independent components.
 * Quantity: standard uncertainties in the unit of the result once multiplied by their sensitivity; range: standard >= 0, dof > 0, coverage in (0, 1).
 * Errors: RangeError naming the component. Source: JCGM 100:2008, 5.1.2 and G.4 (Welch–Satterthwaite, dof truncated for the coverage factor).
 *
 * @example
 * combine({ components: [{ standard: 3 }, { standard: 4 }], coverage: 0.9545 }) // { standard: 5, effectiveDof: Infinity, k: 2, expanded: 10 }
 */
export function combine({ components, coverage }: { components: UncertaintyComponent[]; coverage: number }): CombinedUncertainty {
  if (components.length === 0) throw new RangeError('components must hold at least one component, got 0');
  let variance = 0;
  let satterthwaite = 0;
  components.forEach(({ standard, sensitivity = 1, dof = Infinity }, index) => {
    requireRange(`components[${index}].standard`, standard, 0, Infinity);
    requireRange(`components[${index}].sensitivity`, sensitivity, -Infinity, Infinity);
    if (!(dof > 0)) throw new RangeError(`components[${index}].dof must be above 0 or Infinity, got ${dof}`);
    const share = (standard * sensitivity) ** 2;
    variance += share;
    satterthwaite += (share * share) / dof;
  });
  requireAbove('coverage', coverage, 0, 0.999999999);
  const standard = Math.sqrt(variance);
  const effectiveDof = satterthwaite === 0 ? Infinity : (variance * variance) / satterthwaite;
  const k = coverageFactor({ coverage, dof: effectiveDof === Infinity ? Infinity : Math.max(1, Math.floor(effectiveDof)) });
  return { standard, effectiveDof, k, expanded: k * standard };
}
