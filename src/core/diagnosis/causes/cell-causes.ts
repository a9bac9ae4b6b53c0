import { figure, off, share, TEMPERATURE_OFF } from './figure';
import type { AddCause, Dip, WaterFacts } from './probe-facts';

/** A conductivity cell: bubbles, dirt, polarisation, a standard that is not what the sheet says. */
export function cellCauses(facts: WaterFacts, add: AddCause): void {
  const { dips, label } = facts;
  const sorted = [...dips].sort((a, b) => a.value - b.value);
  const [weak, strong] = [sorted[0], sorted.at(-1)];
  const several = weak && strong && strong.value > 3 * weak.value;
  const low = dips.filter((dip) => off(dip) && share(dip) < 1);
  const high = dips.filter((dip) => off(dip) && share(dip) > 1);
  const text = (list: Dip[]) =>
    list.map((dip) => `${dip.shown} instead of ${figure(dip.value, 0)} (${figure(share(dip) * 100, 0)} %)`).join(', ');
  const unrest = dips.some((dip) => (dip.unrest ?? 0) > 1);
  const badTemperature = Math.abs(facts.temperatureErrorC ?? 0) > TEMPERATURE_OFF;
  if (low.length) {
    const onlyStrong = several && low.length === 1 && low[0] === strong;
    const onlyOne = low.length === 1 && dips.length > 1 && !onlyStrong;
    const weaker = several && low.length > 1 && share(strong) < share(weak) - 0.03;
    add(
      'polarisedCell',
      onlyStrong ? 4.8 : weaker ? 3.6 : 0.6,
      `${label}: cell polarises in strong solutions`,
      `${text(low)}.`,
      onlyStrong && 'The weak standard reads right.',
    );
    add(
      'bubbles',
      (unrest ? 5 : 3.2) - (onlyStrong ? 1.5 : 0),
      `${label}: bubbles in the cell`,
      `${text(low)}.`,
      unrest && 'It jumps while nothing is touched.',
    );
    add(
      'dirtyCell',
      (unrest ? 3 : 3.9) - (onlyStrong || onlyOne ? 1 : 0),
      `${label}: dirty cell`,
      `${text(low)}.`,
      several && !onlyStrong && !onlyOne && 'Low by the same share in weak and strong.',
    );
    if (onlyOne) add('wrongStandard', 4.2, 'Wrong or diluted standard', `${text(low)}.`, 'The other one reads right.');
  }
  if (high.length) {
    const onlyOne = high.length === 1 && dips.length > 1;
    add(
      'wrongStandard',
      badTemperature ? 2 : onlyOne ? 4.4 : 3.4,
      'Wrong or carried-over standard',
      `${text(high)}.`,
      onlyOne && 'The other one reads right.',
    );
    add('dirtyCell', 2.2, `${label}: a salt film between the electrodes`, `${text(high)}.`);
  }
}
