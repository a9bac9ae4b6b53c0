import { requireAbove, requireRange } from '../range-error';

/**
 * Per cent of the lower explosive limit that a volume fraction shows on a channel's scale.
 * Quantity: %LEL; arguments: gas in %vol, the gas's LEL in %vol, relative response of the scale (1 for the gas itself, 2 for methane on the usual pentane scale).
 * Range: volPercent 0 to 100, lelVolPercent above 0 to 100, relativeResponse above 0. Errors: RangeError.
 * Source: definition of %LEL; LEL values of NFPA 497 or IEC 60079-20-1 are the channel's to state.
 *
 * @example
 * volPercentToLel({ volPercent: 1.45, lelVolPercent: 5, relativeResponse: 2 }) // 58
 */
export function volPercentToLel({
  volPercent,
  lelVolPercent,
  relativeResponse = 1,
}: {
  volPercent: number;
  lelVolPercent: number;
  relativeResponse?: number;
}): number {
  requireRange('volPercent', volPercent, 0, 100);
  requireAbove('lelVolPercent', lelVolPercent, 0, 100);
  requireAbove('relativeResponse', relativeResponse, 0);
  return (volPercent / lelVolPercent) * 100 * relativeResponse;
}

/**
 * The reverse, on a scale of the gas itself: %vol from %LEL.
 * Range: lel >= 0, lelVolPercent above 0 to 100. Errors: RangeError. Source: definition of %LEL.
 *
 * @example
 * lelToVolPercent({ lel: 50, lelVolPercent: 5 }) // 2.5
 */
export function lelToVolPercent({ lel, lelVolPercent }: { lel: number; lelVolPercent: number }): number {
  requireRange('lel', lel, 0, Infinity);
  requireAbove('lelVolPercent', lelVolPercent, 0, 100);
  return (lel / 100) * lelVolPercent;
}
