import type { Dip, WaterCause, WaterFacts, WaterFinding } from './water-facts';
import { waterTest } from './water-tests';

type Found = Omit<WaterFinding, 'nextTest'>;
type Add = (code: WaterCause, score: number, title: string, ...because: (string | false | null | undefined)[]) => void;

/** Beyond 2 °C a temperature sensor is recalibrated; over 1 °C it is watched (common practice). */
const TEMPERATURE_OFF = 2;
const SLOW_SECONDS = 60;
const ROOM_APART = 4;
/** Tolerances a minute that a probe still moves by after minutes in a still liquid; what stands still moves by less than a fifth. */
const DRIFTS = 0.4;

/**
 * Ranked likely causes of what a probe in water did wrong, from what was measured, each with the next test that tells it from its nearest look-alike.
 * Units: mV, °C, s, %; shown and value in the channel's unit. Facts that are not known are left out and weigh nothing. Errors: none.
 * Source: common practice; nothing here decides, the technician does.
 *
 * @example
 * diagnoseWater({ kind: 'pH', label: 'pH', slopePercent: 2, dips: [{ value: 7, shown: 7, millivolts: 1, tolerance: 0.1 }, { value: 4.01, shown: 6.9, millivolts: 6, tolerance: 0.1 }] })[0].code // 'crackedGlass'
 */
export function diagnoseWater(facts: WaterFacts): WaterFinding[] {
  const found: Found[] = [];
  const add: Add = (code, score, title, ...because) =>
    found.push({ code, score, title, because: because.filter((text): text is string => Boolean(text)) });
  temperature(facts, add);
  if (facts.kind === 'pH' || facts.kind === 'ion') glass(facts, add);
  if (facts.kind === 'orp') offset(facts, add);
  if (facts.kind === 'conductivity') cell(facts, add);
  if (facts.kind === 'oxygen') oxygen(facts, add);
  const ranked = merged(found.filter((one) => one.score > 0).sort((a, b) => b.score - a.score));
  return ranked.map((one, index) => ({
    ...one,
    nextTest: waterTest(one.code, (index === 0 ? ranked[1] : ranked[0])?.code ?? null).test,
  }));
}

/** The same cause for two reasons is one cause, as likely as the stronger reason. */
function merged(found: Found[]): Found[] {
  const byCode = new Map<WaterCause, Found>();
  for (const one of found) {
    const before = byCode.get(one.code);
    byCode.set(one.code, before ? { ...before, because: [...new Set([...before.because, ...one.because])] } : one);
  }
  return [...byCode.values()];
}

const figure = (value: number, places = 1) => value.toFixed(places).replace('-', '−');
const off = (dip: Dip) => Math.abs(dip.shown - dip.value) > dip.tolerance;
const share = (dip: Dip) => (dip.value === 0 ? 1 : dip.shown / dip.value);

function temperature({ temperatureErrorC, dips, roomC }: WaterFacts, add: Add): void {
  if (typeof temperatureErrorC === 'number' && Math.abs(temperatureErrorC) > TEMPERATURE_OFF)
    add(
      'temperatureSensor',
      5,
      'Temperature sensor off',
      `It shows ${figure(temperatureErrorC)} °C beside the thermometer; beyond 2 °C it is recalibrated.`,
    );
  const warm = dips.find(
    (dip) => typeof dip.temperatureC === 'number' && typeof roomC === 'number' && Math.abs(dip.temperatureC - roomC) > ROOM_APART,
  );
  if (warm && Math.abs(temperatureErrorC ?? 0) <= TEMPERATURE_OFF)
    add(
      'warmBuffer',
      dips.some(off) || dips.some((dip) => (dip.unrest ?? 0) > 1) ? 4 : 3.6,
      'The liquid has not the room’s temperature',
      `${figure(warm.temperatureC!)} °C in a room of ${figure(roomC!)} °C: reading and table value are still moving.`,
    );
}

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

function glass(facts: WaterFacts, add: Add): void {
  const { dips, label } = facts;
  const slope = facts.slopePercent ?? null;
  const between = facts.kind === 'pH' ? shareBetween(dips) : null;
  const dead = between !== null && Math.abs(between) < 0.15;
  if (dead)
    add(
      'crackedGlass',
      5.5,
      `${label}: cracked glass or a short`,
      `Both buffers read alike: ${dips.map((dip) => `${dip.shown} in ${dip.value.toFixed(2)}${typeof dip.millivolts === 'number' ? ` (${figure(dip.millivolts)} mV)` : ''}`).join(', ')}.`,
    );
  const wrong = facts.kind === 'pH' && dips.length >= 2 ? dips.find((dip) => looksLikeAnother(dip, dips)) : undefined;
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
  if (slope === null && offsetMv === null && dips.some(off)) offset(facts, add);
}

/** One dip shows about what another buffer of the usual set would, while the others are right. */
function looksLikeAnother(dip: Dip, dips: Dip[]): boolean {
  const others = dips.filter((one) => one !== dip);
  if (Math.abs(dip.shown - dip.value) < 1 || others.some(off)) return false;
  return [4.01, 6.86, 7, 9.18, 10.01].some((value) => Math.abs(value - dip.value) > 0.5 && Math.abs(dip.shown - value) < 0.35);
}

function offset({ dips, label }: WaterFacts, add: Add): void {
  const wrong = dips.filter(off);
  if (wrong.length === 0) return;
  const text = wrong.map((dip) => `${dip.shown} instead of ${dip.value}`).join(', ');
  add('spentReference', 3.4, `${label}: reference electrode shifted or spent`, `${text}.`);
  add(
    'contaminatedBuffer',
    2.8,
    'Old or contaminated solution',
    `${text}.`,
    wrong.some((dip) => (dip.openedMonths ?? 0) > 5) && 'Open for long.',
  );
}

function cell(facts: WaterFacts, add: Add): void {
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

function oxygen(facts: WaterFacts, add: Add): void {
  const { dips, label } = facts;
  const dip = dips.at(-1);
  if (!dip) return;
  const part = share(dip);
  const says = `${dip.shown} instead of ${figure(dip.value, 2)} (${figure(part * 100, 0)} %).`;
  const slow = Math.max(0, ...dips.map((one) => one.t90Seconds ?? 0));
  const unrest = dips.some((one) => (one.unrest ?? 0) > 1);
  const young = facts.minutesOn !== null && facts.minutesOn !== undefined && facts.minutesOn < 10;
  const sinking = (facts.driftPerMinute ?? 0) < -0.5;
  if (sinking || (part > 1 && off(dip) && young))
    add(
      'notPolarised',
      (sinking ? 4.4 : 3) + (young ? 1 : 0),
      `${label}: not yet polarised`,
      says,
      young && `Switched on ${Math.round(facts.minutesOn!)} min ago, it takes 10.`,
      sinking && 'It sinks while it stands.',
    );
  if (unrest || slow > SLOW_SECONDS)
    add(
      'wrinkledMembrane',
      unrest ? 4.8 : 3.4,
      `${label}: wrinkled or torn membrane`,
      unrest && 'The reading jumps while nothing is touched.',
      slow > SLOW_SECONDS && `T90 ${Math.round(slow)} s.`,
      off(dip) && says,
    );
  if (part < 1 && off(dip)) {
    const old = (facts.membraneMonths ?? 0) > 12;
    const slope = facts.slopePercent ?? part * 100;
    add(
      'lowElectrolyte',
      3.6 + (slope < 75 ? 1 : 0) + (old ? 0.5 : 0) - (unrest ? 0.4 : 0),
      `${label}: electrolyte low or spent`,
      says,
      old && 'The membrane is over a year old.',
    );
    add('wetMembrane', slow > SLOW_SECONDS || slope < 75 ? 1.6 : 3.2, `${label}: drop on the membrane`, says);
    if (!unrest) add('wrinkledMembrane', 2.2, `${label}: membrane`, says);
  }
  if (part > 1 && off(dip) && !sinking) {
    add('wrinkledMembrane', 3.2, `${label}: torn or loose membrane`, says);
    add('notPolarised', young ? 4 : 2, `${label}: not yet polarised`, says);
  }
}
