import { measurandOf } from '../measurand';
import { Dec } from '../quantity/decimal';
import { toleranceAt } from '../record/tolerance';
import type { RunChannel } from '../record/event';
import type { MaterialComponent, ReferenceSnapshot } from '../record/reference-snapshot';

export type MatchCode =
  | 'serves'
  | 'missingComponent'
  | 'aboveRange'
  | 'tooLittle'
  | 'expired'
  | 'recalled'
  | 'unusable'
  | 'noOxygen'
  | 'simulantNumber'
  | 'spanValueFixed'
  | 'spanValueDiffers'
  | 'uncertaintyTooLarge'
  | 'noAlarm'
  | 'otherUnit';

export interface MatchReason {
  channel: string | null;
  code: MatchCode;
  /** 'refuses' stops the bottle for this channel, 'warns' is said and may be accepted. */
  weight: 'refuses' | 'warns' | 'fine';
  sentence: string;
}

export interface BottleMatch {
  bottle: ReferenceSnapshot;
  usable: boolean;
  /** Channels that it serves. */
  serves: string[];
  reasons: MatchReason[];
  runsLeft: number | null;
}

/** What the instrument itself has stored as its span value, and whether it can be changed. */
export interface StoredSpan {
  channel: string;
  value: string;
  fixed: boolean;
}

/** Oxygen that a catalytic sensor needs to burn what it measures, in %vol (common practice; the maker's manual rules). */
const OXYGEN_FOR_CATALYTIC = 10;

/**
 * Which bottles serve which channels of the instrument on the place, with every reason why not, the best one first: it serves most channels, warns least, and is nearest to its end.
 * Values: decimal texts as on bottle and display; litres at 1 atm. Dates: YYYY-MM-DD. Errors: RangeError from texts that are no decimals.
 * Source: common practice (rules of choice); %LEL by vol % ÷ LEL × relative response.
 *
 * @example
 * matchBottles({ channels: [co], bottles: [mix], litres: 2, today: '2026-11-25', purpose: 'span' })[0].serves // ['c-co']
 */
export function matchBottles({
  channels,
  bottles,
  litres,
  today,
  purpose,
  alarms = {},
  stored = [],
}: {
  channels: readonly RunChannel[];
  bottles: readonly ReferenceSnapshot[];
  litres: number;
  today: string;
  purpose: 'span' | 'bump';
  alarms?: Record<string, { low?: string; high?: string }>;
  stored?: readonly StoredSpan[];
}): BottleMatch[] {
  const gases = bottles.filter((bottle) => bottle.kind === 'gas');
  return gases
    .map((bottle) => matchOne(bottle, channels, litres, today, purpose, alarms, stored))
    .sort(
      (a, b) =>
        Number(b.usable) - Number(a.usable) ||
        b.serves.length - a.serves.length ||
        warnings(a) - warnings(b) ||
        (a.bottle.expires ?? '9999').localeCompare(b.bottle.expires ?? '9999') ||
        Number(a.bottle.availableL ?? 0) - Number(b.bottle.availableL ?? 0),
    );
}

const warnings = (match: BottleMatch) => match.reasons.filter((reason) => reason.weight === 'warns').length;

function matchOne(
  bottle: ReferenceSnapshot,
  channels: readonly RunChannel[],
  litres: number,
  today: string,
  purpose: 'span' | 'bump',
  alarms: Record<string, { low?: string; high?: string }>,
  stored: readonly StoredSpan[],
): BottleMatch {
  const reasons: MatchReason[] = [];
  const refuse = (code: MatchCode, sentence: string) => reasons.push({ channel: null, code, weight: 'refuses', sentence });
  if (bottle.recalled) refuse('recalled', `Recalled: ${bottle.recalled}.`);
  if (bottle.unusable) refuse('unusable', `Not to be used: ${bottle.unusable}.`);
  if (bottle.expires && bottle.expires < today) refuse('expired', `Expired on ${bottle.expires}.`);
  if (bottle.availableL !== undefined && new Dec(bottle.availableL).lt(litres))
    refuse('tooLittle', `${bottle.availableL} L left, this run needs about ${new Dec(litres).toDecimalPlaces(1).toFixed()} L.`);
  const serves: string[] = [];
  for (const channel of channels) {
    const found = channelReasons(bottle, channel, purpose, alarms[channel.id], stored);
    reasons.push(...found);
    if (!found.some((reason) => reason.weight === 'refuses')) serves.push(channel.id);
  }
  return {
    bottle,
    serves,
    reasons,
    usable: serves.length > 0 && !reasons.some((reason) => reason.channel === null && reason.weight === 'refuses'),
    runsLeft:
      bottle.availableL === undefined || litres <= 0
        ? null
        : new Dec(bottle.availableL).div(litres).toDecimalPlaces(0, Dec.ROUND_FLOOR).toNumber(),
  };
}

/** The component as this channel would show it: %vol on a %LEL scale by its LEL and relative response. */
export function onChannelScale(component: MaterialComponent, channel: RunChannel): { value: string; expanded: string } | null {
  if (component.unit === channel.unit) return component;
  if (channel.unit !== '%LEL' || component.unit !== '%vol' || !channel.scale) return null;
  const factor = new Dec(100).div(channel.scale.lelVolPercent).times(channel.scale.relativeResponse);
  const shown = (text: string) => factor.times(text).toSignificantDigits(4).toFixed();
  return { value: shown(component.value), expanded: shown(component.expanded) };
}

function channelReasons(
  bottle: ReferenceSnapshot,
  channel: RunChannel,
  purpose: 'span' | 'bump',
  alarm: { low?: string; high?: string } | undefined,
  stored: readonly StoredSpan[],
): MatchReason[] {
  const out: MatchReason[] = [];
  const add = (code: MatchCode, weight: MatchReason['weight'], sentence: string) =>
    out.push({ channel: channel.id, code, weight, sentence });
  const component = bottle.components.find((one) => one.substance === channel.calibrationGas);
  if (!component) {
    add('missingComponent', 'refuses', `No ${channel.calibrationGas ?? 'gas'} for ${channel.label}.`);
    return out;
  }
  const shown = onChannelScale(component, channel);
  if (!shown) {
    add('otherUnit', 'refuses', `${component.substance} is stated in ${component.unit}, ${channel.label} shows ${channel.unit}.`);
    return out;
  }
  const oxygen = bottle.components.find((one) => one.substance === 'O2')?.value ?? '0';
  if (channel.principle === 'catalytic' && new Dec(oxygen).lt(OXYGEN_FOR_CATALYTIC))
    add(
      'noOxygen',
      'refuses',
      `Only ${oxygen} %vol oxygen: a catalytic sensor needs at least ${OXYGEN_FOR_CATALYTIC} %vol to respond truly.`,
    );
  if (new Dec(shown.value).gt(channel.highest))
    add('aboveRange', 'refuses', `${shown.value} ${channel.unit} is above its range of ${channel.highest} ${channel.unit}.`);
  const printed = simulantNumber(bottle, channel);
  if (printed && !new Dec(printed).eq(shown.value))
    add(
      'simulantNumber',
      'warns',
      `The bottle is labelled ${printed} %LEL for another scale; on this one it is ${shown.value} %LEL. Only ${shown.value} is set.`,
    );
  if (purpose === 'bump') addBump(channel, shown.value, alarm, add);
  else {
    addStored(channel, shown.value, stored, add);
    const tolerance = new Dec(toleranceAt({ tolerance: channel.tolerance, target: shown.value, zero: false }));
    // A reference as wide as the tolerance leaves no room for a guarded decision (ILAC-G8:09/2019, guard band w = U).
    if (new Dec(shown.expanded).gte(tolerance))
      add(
        'uncertaintyTooLarge',
        'warns',
        `± ${shown.expanded} on the bottle against ± ${tolerance.toFixed()} tolerance: no room for a guarded decision.`,
      );
  }
  if (!out.some((reason) => reason.weight === 'refuses'))
    add('serves', 'fine', `${channel.label}: ${shown.value} ${channel.unit}.`);
  return out;
}

function addBump(
  channel: RunChannel,
  value: string,
  alarm: { low?: string; high?: string } | undefined,
  add: (code: MatchCode, weight: MatchReason['weight'], sentence: string) => void,
): void {
  if (!alarm?.low) return;
  // Oxygen warns when it falls below its low point; the others from their low point on.
  const falls = measurandOf(channel.measurand).sensor?.fallsInGas ?? false;
  const trips = falls ? new Dec(value).lt(alarm.low) : new Dec(value).gte(alarm.low);
  if (!trips)
    add(
      'noAlarm',
      'refuses',
      `${value} ${channel.unit} does not trip the alarm at ${alarm.low} ${channel.unit}${falls ? ': oxygen has to fall below it' : ''}.`,
    );
}

function addStored(
  channel: RunChannel,
  value: string,
  stored: readonly StoredSpan[],
  add: (code: MatchCode, weight: MatchReason['weight'], sentence: string) => void,
): void {
  const span = stored.find((one) => one.channel === channel.id);
  if (!span || new Dec(span.value).eq(value)) return;
  if (span.fixed)
    add(
      'spanValueFixed',
      'refuses',
      `The instrument spans to ${span.value} ${channel.unit} and can't be set: it would read wrong by ${new Dec(span.value).minus(value).toFixed()} ${channel.unit}.`,
    );
  else add('spanValueDiffers', 'warns', `The instrument has ${span.value} ${channel.unit} stored: set it to ${value} first.`);
}

/** "58 %LEL" in the name of a bottle: a number for one scale, wrong on any other. */
function simulantNumber(bottle: ReferenceSnapshot, channel: RunChannel): string | null {
  if (channel.unit !== '%LEL') return null;
  return /(\d+(?:\.\d+)?)\s*%\s*LEL/.exec(bottle.name)?.[1] ?? null;
}
