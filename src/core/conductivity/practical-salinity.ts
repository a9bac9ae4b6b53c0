import { requireRange } from '../range-error';

const A = [0.008, -0.1692, 25.3851, 14.0941, -7.0261, 2.7081];
const B = [0.0005, -0.0056, -0.0066, -0.0375, 0.0636, -0.0144];
const C = [0.6766097, 2.00564e-2, 1.104259e-4, -6.9698e-7, 1.0031e-9];
const K = 0.0162;
/** Conductivity of standard seawater (S 35) at 15 °C (IPTS-68) and 0 dbar, mS/cm. */
const STANDARD_SEAWATER = 42.914;

const polynomial = (coefficients: number[], x: number) => coefficients.reduceRight((sum, c) => sum * x + c, 0);
const temperatureTerm = (t68: number) => (t68 - 15) / (1 + K * (t68 - 15));

/**
 * Practical salinity from conductivity, with the extension for low salinities (below 2).
 * Quantity: practical salinity, no unit, 0 to 42; arguments: mS/cm 0 to 100, °C -2 to 40 (ITS-90), sea pressure 0 to 10 000 dbar.
 * Errors: RangeError, also where the conductivity stands for more than 42.
 * Sources: PSS-78 (UNESCO Technical Papers in Marine Science 44, 1983); Hill, Dauphinee and Woods 1986 for low salinities.
 *
 * @example
 * practicalSalinity({ conductivityMsPerCm: 12.88, temperatureC: 25, pressureDbar: 0 }) // 7.3921
 */
export function practicalSalinity({
  conductivityMsPerCm,
  temperatureC,
  pressureDbar,
}: {
  conductivityMsPerCm: number;
  temperatureC: number;
  pressureDbar: number;
}): number {
  requireRange('conductivityMsPerCm', conductivityMsPerCm, 0, 100);
  requireRange('temperatureC', temperatureC, -2, 40);
  const salinity = salinityFromRatio({
    ratio: conductivityMsPerCm / STANDARD_SEAWATER,
    t68: temperatureC * 1.00024,
    pressureDbar,
  });
  if (salinity > 42)
    throw new RangeError(
      `conductivityMsPerCm must stand for a practical salinity from 0 to 42 at this temperature, got ${conductivityMsPerCm}`,
    );
  return salinity;
}

/**
 * Practical salinity from the conductivity ratio R to standard seawater, temperature on IPTS-68: the form of the published check values.
 * Range: ratio 0 to 2.5, t68 -2 to 40.01 °C, pressure 0 to 10 000 dbar. Errors: RangeError. Sources: as `practicalSalinity`.
 *
 * @example
 * salinityFromRatio({ ratio: 1.2, t68: 20, pressureDbar: 2000 }) // 37.245628
 */
export function salinityFromRatio({ ratio, t68, pressureDbar }: { ratio: number; t68: number; pressureDbar: number }): number {
  requireRange('ratio', ratio, 0, 2.5);
  requireRange('t68', t68, -2.01, 40.01);
  requireRange('pressureDbar', pressureDbar, 0, 10_000);
  if (ratio === 0) return 0;
  const compression =
    1 +
    (pressureDbar * (2.07e-5 - 6.37e-10 * pressureDbar + 3.989e-15 * pressureDbar ** 2)) /
      (1 + 3.426e-2 * t68 + 4.464e-4 * t68 ** 2 + (0.4215 - 3.107e-3 * t68) * ratio);
  const rt = ratio / (compression * polynomial(C, t68));
  const salinity = pss78(Math.sqrt(rt), t68);
  return salinity < 2 ? Math.max(0, lowSalinity(rt, t68)) : salinity;
}

function pss78(root: number, t68: number): number {
  return polynomial(A, root) + temperatureTerm(t68) * polynomial(B, root);
}

/** The extension, scaled so that it meets PSS-78 exactly at 2. */
function lowSalinity(rt: number, t68: number): number {
  const raw = (ratio: number) =>
    pss78(Math.sqrt(ratio), t68) -
    0.008 / (1 + 600 * ratio + (400 * ratio) ** 2) -
    (0.0005 * temperatureTerm(t68)) / (1 + Math.sqrt(100 * ratio) + 100 * ratio + (100 * ratio) ** 1.5);
  let low = 0;
  let high = 0.3;
  for (let i = 0; i < 80; i += 1) {
    const middle = (low + high) / 2;
    if (pss78(Math.sqrt(middle), t68) < 2) low = middle;
    else high = middle;
  }
  return (raw(rt) * 2) / raw((low + high) / 2);
}
