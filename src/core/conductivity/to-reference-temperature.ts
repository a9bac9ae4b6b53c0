import { requireRange } from '../range-error';

/**
 * Conductivity referred to a reference temperature by linear compensation.
 * Quantity: conductivity in the unit given (at least 0); °C -5 to 100; coefficient in % per °C, 0 to 10, stated at the reference temperature.
 * Errors: RangeError, also where the compensation would divide by nothing. Source: ISO 7888:1985, linear compensation (memory); common practice 1.9 to 2.2 %/°C.
 *
 * @example
 * toReferenceTemperature({ conductivity: 1278, temperatureC: 20, referenceC: 25, alphaPercentPerC: 1.91 }) // 1413
 */
export function toReferenceTemperature({
  conductivity,
  temperatureC,
  referenceC,
  alphaPercentPerC,
}: {
  conductivity: number;
  temperatureC: number;
  referenceC: number;
  alphaPercentPerC: number;
}): number {
  requireRange('conductivity', conductivity, 0, Infinity);
  requireRange('temperatureC', temperatureC, -5, 100);
  requireRange('referenceC', referenceC, -5, 100);
  requireRange('alphaPercentPerC', alphaPercentPerC, 0, 10);
  const factor = 1 + (alphaPercentPerC / 100) * (temperatureC - referenceC);
  if (factor < 0.05)
    throw new RangeError(
      `temperatureC must be nearer to the reference for a coefficient of ${alphaPercentPerC} %/°C, got ${temperatureC}`,
    );
  return conductivity / factor;
}
