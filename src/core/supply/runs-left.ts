import { Dec } from '../quantity/decimal';
import { requireAbove, requireRange } from '../range-error';

/**
 * Whole runs that the gas still carries, waste counted.
 * Arguments: litres available, flow in L/min, minutes of gas a run, waste as a share of it (0.13 = 13 %). Errors: RangeError.
 * Source: arithmetic; the waste share is common practice (34 L gives 34 on paper, about 30 at the bench).
 *
 * @example
 * runsLeft({ availableL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0.13 }) // 30
 */
export function runsLeft({
  availableL,
  flowLPerMin,
  minutes,
  wasteFactor,
}: {
  availableL: number;
  flowLPerMin: number;
  minutes: number;
  wasteFactor: number;
}): number {
  requireRange('availableL', availableL, 0, Infinity);
  requireAbove('flowLPerMin', flowLPerMin, 0);
  requireAbove('minutes', minutes, 0);
  requireRange('wasteFactor', wasteFactor, 0, Infinity);
  const perRun = new Dec(flowLPerMin).times(minutes).times(new Dec(1).plus(wasteFactor));
  return new Dec(availableL).div(perRun).toDecimalPlaces(0, Dec.ROUND_FLOOR).toNumber();
}
