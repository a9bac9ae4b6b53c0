import { UNITS } from '../quantity/unit';
import type { Point, Procedure } from './procedure';

/** The unit of whatever channel is read. */
export const OWN_UNIT = 'channel';

const isFigure = (text: string) => /^-?\d+([.,]\d+)?$/.test(text.trim());
const figure = (text: string) => Number(text.trim().replace(',', '.'));

/** What does not fit together in channels and points themselves: nothing measured, nothing compared with, limits that are none. Sentences; none where all fits. */
export function faultsOfPieces({ channels, points }: Pick<Procedure, 'channels' | 'points'>): string[] {
  return [
    ...channels.filter((one) => one.measurands.length === 0).map((one) => `channel “${one.label}” measures nothing`),
    ...points.flatMap(faultsOfPoint),
  ];
}

function faultsOfPoint({ label, channels, target, tolerance, gate }: Point): string[] {
  const where = `point “${label}”`;
  const faults: string[] = [];
  if (channels.length === 0) faults.push(`${where} covers no channel`);
  if (target.kind === 'fixed' && !isFigure(target.value))
    faults.push(`${where} is compared with “${target.value}”, which is no figure`);
  if (target.kind === 'fixed' && target.unit !== OWN_UNIT && !UNITS.some((one) => one.symbol === target.unit))
    faults.push(`${where} has the unit “${target.unit}”, which is not known`);
  if (target.kind === 'recognised' && target.set.length === 0) faults.push(`${where} knows no buffer`);
  if (tolerance && tolerance !== 'zero') {
    const { limit, caution } = tolerance;
    if (!isFigure(limit) || figure(limit) <= 0) faults.push(`the limit of ${where} must be a figure above nought`);
    else if (caution !== undefined && !(isFigure(caution) && figure(caution) > 0 && figure(caution) <= figure(limit)))
      faults.push(`the caution of ${where} must be a figure up to its limit`);
  }
  if (gate) {
    if (!isFigure(gate.lowest) || !isFigure(gate.highest) || figure(gate.lowest) >= figure(gate.highest))
      faults.push(`the bounds of ${where} must be two figures, the lower one first`);
    if (!gate.reason.trim()) faults.push(`the bounds of ${where} need a reason`);
  }
  return faults;
}
