import { requireAbove, requireRange } from '../range-error';

export interface Drift {
  change: number;
  perMonth: number | null;
  percentOfTarget: number | null;
}

/** Mean length of a month, days. */
const DAYS_A_MONTH = 30.4375;

/**
 * Drift since the last adjustment: the error found now less the error left then, at the same point.
 * Quantity: the unit of the errors; per month of 30.44 days (null for less than a day); per cent of the target (null at zero).
 * Arguments: errors as found and as left before, finite; days between, 0 to 36 500; target. Errors: RangeError. Source: ILAC-G24/OIML D 10 (drift between calibrations), definition.
 *
 * @example
 * drift({ errorFound: -3.5, errorLeft: 0.5, days: 182.625, target: 25 }) // { change: -4, perMonth: -0.667, percentOfTarget: -16 }
 */
export function drift({
  errorFound,
  errorLeft,
  days,
  target,
}: {
  errorFound: number;
  errorLeft: number;
  days: number;
  target: number;
}): Drift {
  requireRange('errorFound', errorFound, -Infinity, Infinity);
  requireRange('errorLeft', errorLeft, -Infinity, Infinity);
  requireRange('days', days, 0, 36_500);
  requireRange('target', target, -Infinity, Infinity);
  const change = errorFound - errorLeft;
  return {
    change,
    perMonth: days < 1 ? null : (change / days) * DAYS_A_MONTH,
    percentOfTarget: target === 0 ? null : (change / target) * 100,
  };
}

/**
 * Zero and span drift told apart: what moved at zero moves the whole line, the rest is a change of sensitivity.
 * Quantity: zero in the unit of the readings, span in per cent of the sensitivity; arguments: readings at zero and at the gas, then and now, and the gas (not 0).
 * Errors: RangeError, also where there was no sensitivity then. Source: straight line through zero and span, definition.
 *
 * @example
 * zeroAndSpanDrift({ then: { zero: 0, span: 50 }, now: { zero: 1, span: 46 } }) // { zero: 1, spanPercent: -10 }
 */
export function zeroAndSpanDrift({ then, now }: { then: { zero: number; span: number }; now: { zero: number; span: number } }): {
  zero: number;
  spanPercent: number;
} {
  for (const [name, pair] of [
    ['then', then],
    ['now', now],
  ] as const) {
    requireRange(`${name}.zero`, pair.zero, -Infinity, Infinity);
    requireRange(`${name}.span`, pair.span, -Infinity, Infinity);
  }
  const before = then.span - then.zero;
  if (before === 0) throw new RangeError('then.span must differ from then.zero, got no sensitivity');
  return { zero: now.zero - then.zero, spanPercent: ((now.span - now.zero) / before - 1) * 100 };
}

export interface SensorHealth {
  percent: number;
  basis: 'raw' | 'ratios';
}

/**
 * Health of a sensor: raw output now against new; where there is no raw output, the product of its as-found ratios (reading before adjustment over target), one a calibration.
 * Quantity: per cent of new; arguments: raw outputs (new above 0), or ratios above 0 to 10. Errors: RangeError. Source: common practice.
 *
 * @example
 * sensorHealth({ rawNow: 0.31, rawNew: 0.5 }) // { percent: 62, basis: 'raw' }
 * sensorHealth({ ratios: [0.9, 0.9] }) // { percent: 81, basis: 'ratios' }
 */
export function sensorHealth(given: { rawNow: number; rawNew: number } | { ratios: number[] }): SensorHealth {
  if ('ratios' in given) {
    const product = given.ratios.reduce((sum, ratio, index) => {
      requireAbove(`ratios[${index}]`, ratio, 0, 10);
      return sum * ratio;
    }, 1);
    return { percent: product * 100, basis: 'ratios' };
  }
  requireRange('rawNow', given.rawNow, 0, Infinity);
  requireAbove('rawNew', given.rawNew, 0);
  return { percent: (given.rawNow / given.rawNew) * 100, basis: 'raw' };
}
