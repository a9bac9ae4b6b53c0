import { Dec } from '../quantity/decimal';

/** A line of the workshop's scope: between these values it claims results, with no smaller U than this. Decimal texts. */
export interface ScopeEntry {
  measurand: string;
  unit: string;
  lowest: string;
  highest: string;
  smallest: string;
  /** The smallest U as it is, or in percent of the value. */
  form: 'absolute' | 'percent';
}

/**
 * Where a value stands in a scope: the smallest U claimed there, or outside; null for a workshop that states no scope.
 * Value and U in the entry's unit, both ends of a range inside it; where two lines meet, the larger U counts. Errors: RangeError for a text that is no decimal.
 * Source: ILAC-P14:09/2020, 5.4 (a certificate states no smaller uncertainty than the scope).
 *
 * @example
 * scopeAt({ scope: [{ measurand: 'pH', unit: 'pH', lowest: '4', highest: '10', smallest: '0.03', form: 'absolute' }], measurand: 'pH', unit: 'pH', value: '7.00' }) // { smallest: 0.03 }
 */
export function scopeAt({
  scope,
  measurand,
  unit,
  value,
}: {
  scope: readonly ScopeEntry[];
  measurand: string;
  unit: string;
  value: string;
}): { smallest: number } | 'outside' | null {
  if (scope.length === 0) return null;
  const at = new Dec(value);
  const claims = scope
    .filter((one) => one.measurand === measurand && one.unit === unit && at.gte(one.lowest) && at.lte(one.highest))
    .map((one) => (one.form === 'percent' ? at.abs().times(one.smallest).div(100) : new Dec(one.smallest)).toNumber());
  return claims.length ? { smallest: Math.max(...claims) } : 'outside';
}
