import { requireAbove, requireRange } from '../range-error';

/**
 * Gas left in a cylinder, as litres at 1 atm.
 * Quantity: volume, L; arguments: water volume in L, gauge pressure in bar (0 to 400). Errors: RangeError.
 * Source: ideal gas (Boyle), gauge pressure over 1.01325 bar; common practice, compressibility of the mix left aside.
 *
 * @example
 * gasAvailable({ waterVolumeL: 1, gaugePressureBar: 34.45 }) // 34
 */
export function gasAvailable({ waterVolumeL, gaugePressureBar }: { waterVolumeL: number; gaugePressureBar: number }): number {
  requireAbove('waterVolumeL', waterVolumeL, 0);
  requireRange('gaugePressureBar', gaugePressureBar, 0, 400);
  return (waterVolumeL * gaugePressureBar) / 1.01325;
}
