import { requireAbove, requireRange } from '../range-error';

/**
 * Dissolved solids by factor.
 * Quantity: ppm; arguments: µS/cm (at least 0), factor above 0 to 2 (common practice: 0.5 or 0.7). Errors: RangeError. Source: common practice.
 *
 * @example
 * totalDissolvedSolids({ conductivityUsPerCm: 5000, factor: 0.7 }) // 3500
 */
export function totalDissolvedSolids({ conductivityUsPerCm, factor }: { conductivityUsPerCm: number; factor: number }): number {
  requireRange('conductivityUsPerCm', conductivityUsPerCm, 0, Infinity);
  requireAbove('factor', factor, 0, 2);
  return conductivityUsPerCm * factor;
}

/** Two known points of the mixed-salt curve, µS/cm and ppm (common practice). */
const LOWER = { conductivity: 731, ppm: 500 };
const UPPER = { conductivity: 1417, ppm: 1000 };
const EXPONENT = Math.log(UPPER.ppm / LOWER.ppm) / Math.log(UPPER.conductivity / LOWER.conductivity);

/**
 * Dissolved solids by the mixed-salt curve that resembles natural water: a power law through 731 µS/cm = 500 ppm and 1417 µS/cm = 1000 ppm.
 * Quantity: ppm; argument: µS/cm, 0 to 3000 (beyond, two points say too little). Errors: RangeError. Source: common practice.
 *
 * @example
 * mixedSaltSolids({ conductivityUsPerCm: 1417 }) // 1000
 */
export function mixedSaltSolids({ conductivityUsPerCm }: { conductivityUsPerCm: number }): number {
  requireRange('conductivityUsPerCm', conductivityUsPerCm, 0, 3000);
  return LOWER.ppm * (conductivityUsPerCm / LOWER.conductivity) ** EXPONENT;
}
