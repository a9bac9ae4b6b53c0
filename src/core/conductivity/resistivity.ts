import { requireAbove } from '../range-error';

/**
 * Resistivity, the reciprocal of conductivity.
 * Quantity: MΩ·cm; argument: µS/cm, above 0. Errors: RangeError. Source: definition; pure water at 25 °C, 0.055 µS/cm, has 18.2 MΩ·cm.
 *
 * @example
 * resistivity({ conductivityUsPerCm: 0.055 }) // 18.18
 */
export function resistivity({ conductivityUsPerCm }: { conductivityUsPerCm: number }): number {
  requireAbove('conductivityUsPerCm', conductivityUsPerCm, 0);
  return 1 / conductivityUsPerCm;
}
