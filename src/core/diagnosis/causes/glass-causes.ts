import { figure, off, SLOW_SECONDS } from './figure';
import { offsetCauses } from './offset-causes';
import type { AddCause, Dip, WaterFacts } from './probe-facts';

/** Tolerances a minute that a probe still moves by after minutes in a still liquid; what stands still moves by less than a fifth. */
const DRIFTS = 0.4;

/** Difference that two dips should make and did make, as a share; null where the values are alike. */
function shareBetween(dips: Dip[]): number | null {
  const known = dips.filter((dip) => typeof dip.millivolts === 'number');
  const by = known.length >= 2 ? known : dips;
  const [first, last] = [by[0], by.at(-1)];
  if (!first || !last || Math.abs(first.value - last.value) < 0.5) return null;
  return known.length >= 2
    ? (first.millivolts! - last.millivolts!) / (-59.16 * (first.value - last.value))
    : (first.shown - last.shown) / (first.value - last.value);
}

/** A glass or ion-selective electrode: slope, offset, response, and buffers that are not what the sheet says. */
export function glassCauses(facts: WaterFacts, add: AddCause, scale: 'pH' | 'ion'): void {
  const { dips, label } = facts;
  const slope = facts.slopePercent ?? null;
  const between = scale === 'pH' ? shareBetween(dips) : null;
  const dead = between !== null && Math.abs(between) < 0.15;
  if (dead)
    add(
      'crackedGlass',
      5.5,
      `${label}: cracked glass or a short`,
      `Both buffers read alike: ${dips.map((dip) => `${dip.shown} in ${dip.value.toFixed(2)}${typeof dip.millivolts === 'number' ? ` (${figure(dip.millivolts)} mV)` : ''}`).join(', ')}.`,
    );
  const wrong = scale === 'pH' && dips.length >= 2 ? dips.find((dip) => looksLikeAnother(dip, dips)) : undefined;
  if (wrong)
    add(
      'wrongBuffer',
      dead ? 4 : 5,
      'Another buffer in the beaker than on the sheet',
      `${wrong.shown} in ${wrong.value.toFixed(2)}: nearer to another buffer than to this one.`,
    );
  const slowest = Math.max(0, ...dips.map((dip) => dip.t90Seconds ?? 0));
  const drifting = Math.abs(facts.driftPerMinute ?? 0) > DRIFTS || facts.storedDry === true;
  if (slowest > SLOW_SECONDS) {
    add(
      'coatedElectrode',
      4.5 - (drifting ? 0.6 : 0),
      `${label}: coated glass or junction`,
      `It took ${Math.round(slowest)} s to nine tenths, usual are under ${SLOW_SECONDS} s.`,
    );
    add(
      'driedOut',
      drifting ? 4.6 : 2.4,
      `${label}: dried out`,
      `Slow, ${Math.round(slowest)} s.`,
      drifting && 'It goes on drifting.',
    );
  } else if (drifting)
    add('driedOut', 4.4, `${label}: dried out`, facts.storedDry ? 'It came dry.' : 'It drifts in a still buffer.');
  if (dead || wrong) return;
  const offsetMv = facts.offsetMv ?? null;
  if (offsetMv !== null && Math.abs(offsetMv) > 30) {
    add(
      'spentReference',
      4.4,
      `${label}: spent or contaminated reference`,
      `Offset ${figure(offsetMv)} mV at pH 7, over ± 30 mV.`,
    );
    add('contaminatedBuffer', 2.2, 'Contaminated buffer 7', `Offset ${figure(offsetMv)} mV.`);
  }
  const segments = facts.segmentSlopes ?? [];
  const uneven = segments.length >= 2 && Math.max(...segments) - Math.min(...segments) > 6;
  if (uneven)
    add(
      'contaminatedBuffer',
      4.8,
      'One buffer is contaminated',
      `The segments differ: ${segments.map((one) => `${figure(one)} %`).join(' and ')}; a tired glass loses on both sides.`,
    );
  if (slope !== null && slope < 95 && !uneven) {
    add(
      'agedElectrode',
      slope < 90 ? 4.3 : 3.6,
      `${label}: aged electrode`,
      `Slope ${figure(slope)} %.`,
      segments.length >= 2 && 'Both segments alike.',
    );
    add(
      'contaminatedBuffer',
      2.6 + (dips.some((dip) => (dip.openedMonths ?? 0) > 5) ? 1 : 0),
      'Contaminated or old buffer',
      `Slope ${figure(slope)} %.`,
      dips.some((dip) => (dip.openedMonths ?? 0) > 5) && 'The bottle has been open for over five months.',
    );
    if (slowest <= SLOW_SECONDS) add('coatedElectrode', 1.8, `${label}: coated glass`, `Slope ${figure(slope)} %.`);
  }
  if (slope !== null && slope > 105)
    add('contaminatedBuffer', 4, 'Contaminated or wrong buffer', `Slope ${figure(slope)} %, more than a glass gives.`);
  // With millivolts on record a good glass is a good glass: what is off is the meter's old calibration.
  if (slope === null && offsetMv === null && dips.some(off)) offsetCauses(facts, add);
}

/** One dip shows about what another buffer of the usual set would, while the others are right. */
function looksLikeAnother(dip: Dip, dips: Dip[]): boolean {
  const others = dips.filter((one) => one !== dip);
  if (Math.abs(dip.shown - dip.value) < 1 || others.some(off)) return false;
  return [4.01, 6.86, 7, 9.18, 10.01].some((value) => Math.abs(value - dip.value) > 0.5 && Math.abs(dip.shown - value) < 0.35);
}
