import { requireRange } from '../range-error';
import { oxygenSolubility } from './oxygen-solubility';
import { ONE_ATMOSPHERE, vapourPressure } from './vapour-pressure';

export interface AirTarget {
  percentLocal: number;
  percentOfOneAtm: number;
  mgPerL: number;
}

/**
 * What an oxygen probe should show in water-saturated air at the pressure of the place, in the three ways that meters show it.
 * Quantity: per cent of local saturation (always 100), per cent at 1 atm, mg/L at the salinity set on the meter; °C 0 to 40, hPa 500 to 1100, salinity 0 to 40.
 * Errors: RangeError. Source: partial pressure of oxygen in moist air, proportional to (P - p_w); solubility of Benson and Krause 1984.
 *
 * @example
 * airCalibrationTarget({ temperatureC: 20, pressureHPa: 845.56 }).percentOfOneAtm // 83.1 (1500 m)
 */
export function airCalibrationTarget({
  temperatureC,
  pressureHPa,
  salinity = 0,
}: {
  temperatureC: number;
  pressureHPa: number;
  salinity?: number;
}): AirTarget {
  const mgPerL = oxygenSolubility({ temperatureC, pressureHPa, salinity });
  const vapour = vapourPressure({ temperatureC });
  return { percentLocal: 100, percentOfOneAtm: ((pressureHPa - vapour) / (ONE_ATMOSPHERE - vapour)) * 100, mgPerL };
}

/** Before an air calibration is accepted a meter should show 88 to 110 % of what is expected (common practice, a band near sea level). */
const PLAUSIBLE = [0.88, 1.1] as const;

export interface Plausibility {
  plausible: boolean;
  code: 'plausible' | 'tooLow' | 'tooHigh';
  low: number;
  high: number;
  expected: number;
  sentence: string;
}

/**
 * Whether a probe in water-saturated air shows something plausible before its calibration is accepted; the band is taken of the expected value of the place.
 * Arguments: what the meter shows, in per cent (0 to 500), on which scale; °C, hPa as `airCalibrationTarget`. Errors: RangeError.
 * Source: common practice for the band, computed from the local pressure.
 *
 * @example
 * airPlausibility({ shownPercent: 84, scale: 'local', temperatureC: 20, pressureHPa: 1013.25 }).code // 'tooLow'
 */
export function airPlausibility({
  shownPercent,
  scale,
  temperatureC,
  pressureHPa,
}: {
  shownPercent: number;
  scale: 'local' | 'oneAtm';
  temperatureC: number;
  pressureHPa: number;
}): Plausibility {
  requireRange('shownPercent', shownPercent, 0, 500);
  const target = airCalibrationTarget({ temperatureC, pressureHPa });
  const expected = scale === 'local' ? target.percentLocal : target.percentOfOneAtm;
  const [low, high] = [expected * PLAUSIBLE[0], expected * PLAUSIBLE[1]];
  const band = `${low.toFixed(0)} to ${high.toFixed(0)} % (${scale === 'local' ? 'of local saturation' : 'of saturation at 1 atm'}, expected ${expected.toFixed(1)} %)`;
  if (shownPercent < low)
    return {
      plausible: false,
      code: 'tooLow',
      low,
      high,
      expected,
      sentence: `${shownPercent} % is under ${band}: dry sleeve, worn membrane or electrolyte, or not yet polarised.`,
    };
  if (shownPercent > high)
    return {
      plausible: false,
      code: 'tooHigh',
      low,
      high,
      expected,
      sentence: `${shownPercent} % is over ${band}: drop on the membrane, temperature sensor, or the wrong pressure set.`,
    };
  return { plausible: true, code: 'plausible', low, high, expected, sentence: `${shownPercent} % lies within ${band}.` };
}
