import { requireRange } from '../range-error';
import type { Electrode } from './fit-electrode';

export type Condition = 'good' | 'caution' | 'fail';
export interface ConditionReason {
  code: string;
  condition: Condition;
  numbers: Record<string, number>;
  sentence: string;
}

export interface ElectrodeLimits {
  cautionBelowPercent: number;
  failBelowPercent: number;
  failAbovePercent: number;
  offsetMv: number;
  responseSeconds: number;
}

/** Slope 90 to 105 % and offset ± 30 mV: USP <791> (read from memory); slope 95 % and response 60 s: common practice. A model's own limits override these. */
export const ELECTRODE_LIMITS: ElectrodeLimits = {
  cautionBelowPercent: 95,
  failBelowPercent: 90,
  failAbovePercent: 105,
  offsetMv: 30,
  responseSeconds: 60,
};

/**
 * How a pH electrode is, with the reasons and the numbers they rest on. Limits count as inside.
 * Arguments: an electrode of `fitElectrode`; response time in s, where it was measured; limits that differ from the usual.
 * Errors: RangeError. Source: common practice (limits above).
 *
 * @example
 * electrodeCondition({ electrode: fitElectrode({ points }) }) // { condition: 'caution', reasons: [{ code: 'slopeLow', … }] }
 */
export function electrodeCondition({
  electrode,
  responseSeconds,
  limits = {},
}: {
  electrode: Pick<Electrode, 'segments' | 'offsetMv'>;
  responseSeconds?: number;
  limits?: Partial<ElectrodeLimits>;
}): { condition: Condition; reasons: ConditionReason[] } {
  requireRange('electrode.offsetMv', electrode.offsetMv, -2000, 2000);
  const used = { ...ELECTRODE_LIMITS, ...limits };
  const reasons = electrode.segments.flatMap((segment) => slopeReason(segment.slopePercent, segment.fromPH, segment.toPH, used));
  if (electrode.segments.length === 0)
    reasons.push({
      code: 'noSlope',
      condition: 'good',
      numbers: {},
      sentence: 'One buffer gives the offset only; the slope is taken as theoretical.',
    });
  if (Math.abs(electrode.offsetMv) > used.offsetMv) {
    reasons.push({
      code: 'offsetHigh',
      condition: 'fail',
      numbers: { offsetMv: electrode.offsetMv, limit: used.offsetMv },
      sentence: `Offset ${electrode.offsetMv.toFixed(1)} mV is outside ± ${used.offsetMv} mV: contaminated or spent reference, or a wrong buffer in the beaker.`,
    });
  }
  if (responseSeconds !== undefined) {
    requireRange('responseSeconds', responseSeconds, 0, 86_400);
    if (responseSeconds > used.responseSeconds)
      reasons.push({
        code: 'slow',
        condition: 'caution',
        numbers: { responseSeconds, limit: used.responseSeconds },
        sentence: `It took ${Math.round(responseSeconds)} s to settle, over ${used.responseSeconds} s: soak it, or clean the glass and the junction.`,
      });
  }
  const worst =
    (['fail', 'caution'] as const).find((condition) => reasons.some((reason) => reason.condition === condition)) ?? 'good';
  return { condition: worst, reasons };
}

function slopeReason(percent: number, fromPH: number, toPH: number, limits: ElectrodeLimits): ConditionReason[] {
  requireRange('slopePercent', percent, -1000, 1000);
  const numbers = { slopePercent: percent, fromPH, toPH };
  const says = `Slope ${percent.toFixed(1)} % between pH ${fromPH} and ${toPH}`;
  if (Math.abs(percent) < 10)
    return [
      {
        code: 'noResponse',
        condition: 'fail',
        numbers,
        sentence: `${says}: both buffers read alike. Cracked glass, a short, or twice the same buffer.`,
      },
    ];
  if (percent < limits.failBelowPercent)
    return [
      {
        code: 'slopeTooLow',
        condition: 'fail',
        numbers,
        sentence: `${says} is under ${limits.failBelowPercent} %: fresh buffer, clean and soak, else replace.`,
      },
    ];
  if (percent > limits.failAbovePercent)
    return [
      {
        code: 'slopeTooHigh',
        condition: 'fail',
        numbers,
        sentence: `${says} is over ${limits.failAbovePercent} %, more than a glass can give: wrong or contaminated buffer, or wrong temperature.`,
      },
    ];
  if (percent < limits.cautionBelowPercent)
    return [
      {
        code: 'slopeLow',
        condition: 'caution',
        numbers,
        sentence: `${says} is under ${limits.cautionBelowPercent} %: recalibrate in fresh buffer, then clean.`,
      },
    ];
  return [{ code: 'slopeGood', condition: 'good', numbers, sentence: `${says}.` }];
}
