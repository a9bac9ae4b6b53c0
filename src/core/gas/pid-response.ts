import { requireAbove, requireRange } from '../range-error';

/**
 * Response factors of a photoionisation detector with a 10.6 eV lamp, isobutylene = 1. From memory, typical of the trade: the maker's table of the model overrides.
 * A factor above 1 is a gas to which the lamp is less sensitive.
 */
export const PID_FACTORS_10_6: Readonly<Record<string, number>> = {
  isobutylene: 1,
  benzene: 0.53,
  toluene: 0.5,
  'm-xylene': 0.43,
  styrene: 0.4,
  acetone: 1.1,
  '2-propanol': 6,
  ethanol: 12,
  'n-hexane': 4.3,
  ammonia: 9.7,
  'hydrogen sulphide': 3.3,
};

/**
 * Concentration of a vapour from the reading of a detector calibrated with isobutylene.
 * Quantity: as the reading (ppm or ppb); arguments: reading (at least 0), response factor above 0 to 100. Errors: RangeError. Source: definition of the factor.
 *
 * @example
 * pidConcentration({ reading: 100, factor: 0.53 }) // 53
 */
export function pidConcentration({ reading, factor }: { reading: number; factor: number }): number {
  requireRange('reading', reading, 0, Infinity);
  requireAbove('factor', factor, 0, 100);
  return reading * factor;
}

/**
 * Response factor of a mixture: the reciprocal of the shares over their factors.
 * Quantity: none; arguments: shares that add up to 1 (within 0.001), each with its factor. Errors: RangeError. Source: additive ionisation, common practice.
 *
 * @example
 * pidMixtureFactor({ parts: [{ share: 0.5, factor: 1 }, { share: 0.5, factor: 0.5 }] }) // 0.6667
 */
export function pidMixtureFactor({ parts }: { parts: { share: number; factor: number }[] }): number {
  const total = parts.reduce((sum, { share, factor }, index) => {
    requireRange(`parts[${index}].share`, share, 0, 1);
    requireAbove(`parts[${index}].factor`, factor, 0, 100);
    return sum + share;
  }, 0);
  if (Math.abs(total - 1) > 0.001) throw new RangeError(`parts must have shares that add up to 1, got ${total}`);
  return 1 / parts.reduce((sum, { share, factor }) => sum + share / factor, 0);
}
