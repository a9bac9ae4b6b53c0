import type { Condition } from '@/core/procedure/condition';
import type { Step } from '@/core/procedure/procedure';
import { OFFSET_BEFORE, SLOPE_BEFORE } from '@/core/run/computed-found';
import { type ComputedFrom } from '@/core/procedure/procedure';
import { DIPS_TOGETHER } from './water-schools';

/** What is done in a liquid: as found, calibration and as left, each in its own dip or sharing one. Common practice; the maker's manual rules. */
export const NEVER_BACK = 'Fresh from the bottle into the beaker; used solution never goes back and is never used again.';
/** Something was ordered beyond the as-found. */
export const GONE_ON: Condition = { not: { is: 'property', property: 'as-found-only' } };
const RINSE = 'Rinse 10 s, never rub. ';
/** What rinsing and drying mean by the chosen school. */
const RINSED: NonNullable<Step['says']> = [
  { school: 'rinsing', option: 'distilled', text: 'Rinse with distilled water.' },
  { school: 'rinsing', option: 'tap', text: 'Rinse under the tap: never distilled after the field.' },
  { school: 'drying', option: 'shake', text: 'Shake off, do not wipe.' },
  { school: 'drying', option: 'dab', text: 'Dab dry.' },
];

const both = (one: Condition, other?: Condition): Condition => (other ? { all: [one, other] } : one);
interface DipOptions {
  slot: string;
  title: string;
  point: string;
  means?: string;
  reason?: string;
  when?: Condition;
}

/** The probe goes in, rinsed by the chosen school. */
const into = (id: string, { slot, title, means = 'probe in the liquid' }: DipOptions): Step => ({
  id: `${id}-in`,
  kind: 'stimulus',
  title: `Dip into ${title}`,
  slot,
  means,
  on: true,
  reason: RINSE + NEVER_BACK,
  says: RINSED,
});

/** Into the liquid, read, out again: three steps of one dip. */
export function dip(id: string, phase: 'asFound' | 'asLeft' | 'check', given: DipOptions): Step[] {
  const { slot, title, point, means = 'probe in the liquid', reason, when } = given;
  // Where nothing is adjusted the as-found stands for both.
  const then = phase === 'asLeft' ? both(GONE_ON, when) : when;
  const held = then ? { when: then } : {};
  const what = { asFound: 'As found', asLeft: 'As left', check: 'Check' }[phase];
  return [
    { ...into(id, given), ...held },
    {
      id: `${id}-read`,
      kind: 'read',
      title: `${what}: ${title}`,
      points: [point],
      phase,
      stability: { windowSeconds: 15, maxSpread: '0.02' },
      reason: reason ?? 'Reading and temperature both have to stand still.',
      ...held,
    },
    // What made the dip needed may be settled by its own reading: what is in comes out whatever holds then.
    { id: `${id}-out`, kind: 'stimulus', title: 'Lift out', slot, means, on: false, when: { is: 'stimulusOn', slot } },
  ];
}

/** A reading as found or as left in the dip that calibrates: when, and whether it is worked out because the meter was set already. */
export interface SharedRead {
  when: Condition;
  computed?: ComputedFrom;
  points?: string[];
}
const WHY_SHARED = {
  read: 'In the same dip, before the key is pressed.',
  computed: 'Worked out from what the meter kept before, since it was set already: the document says so.',
  left: 'In the same dip: named so on the document.',
};
function sharedRead(id: string, phase: 'asFound' | 'asLeft', { title, point }: DipOptions, shared: SharedRead): Step {
  const { when, computed, points = [point] } = shared;
  return {
    id,
    kind: 'read',
    title: `${phase === 'asFound' ? 'As found' : 'As left'}: ${title}`,
    points,
    phase,
    stability: { windowSeconds: 15, maxSpread: '0.02' },
    reason: phase === 'asLeft' ? WHY_SHARED.left : computed ? WHY_SHARED.computed : WHY_SHARED.read,
    ...(computed ? { computed } : {}),
    when: { all: [GONE_ON, when] },
  };
}

/** What the meter keeps of its electrode, before anything is set: with it an as-found figure can be worked out later. */
export const keptBefore: Step = {
  id: 'before',
  kind: 'check',
  title: 'What the meter keeps of the electrode',
  items: [
    {
      id: SLOPE_BEFORE,
      label: 'Slope that it keeps now, % (“none” where it shows none)',
      answer: 'number',
      unit: '%',
      about: 'keptBefore',
    },
    {
      id: OFFSET_BEFORE,
      label: 'Zero point that it keeps now, mV (“none” where it shows none)',
      answer: 'number',
      unit: 'mV',
      about: 'keptBefore',
    },
  ],
  reason: 'Read before the first key is pressed: gone afterwards. With both, each buffer is dipped into once.',
  when: { all: [GONE_ON, DIPS_TOGETHER] },
};

/** A point of the calibration: dip, take the voltage, press the key, lift. */
export function calibrateIn(
  id: string,
  given: DipOptions & { key?: string; found?: SharedRead | SharedRead[] | undefined; left?: SharedRead | undefined },
): Step[] {
  const { slot, title, point, means = 'probe in the liquid', reason, when, key, found, left } = given;
  const held = { when: both(GONE_ON, when) };
  return [
    { ...into(id, given), ...held },
    // Only one of them is ever asked for.
    ...[found ?? []].flat().map((one, index) => sharedRead(`${id}-found${index ? '-first' : ''}`, 'asFound', given, one)),
    {
      id: `${id}-take`,
      kind: 'read',
      title: `Calibrate: ${title}`,
      points: [point],
      phase: 'adjustment',
      stability: { windowSeconds: 15, maxSpread: '0.02' },
      reason: reason ?? 'Before the key is pressed: what it shows and its millivolts, once both stand still.',
      ...held,
    },
    {
      id: `${id}-set`,
      kind: 'adjust',
      title: `Set it to ${title}`,
      points: [point],
      action: 'calibrate',
      together: true,
      reason: key ?? 'Press the calibration key; the meter recognises the liquid or is set to its value at this temperature.',
      ...held,
    },
    ...(left ? [sharedRead(`${id}-left`, 'asLeft', given, left)] : []),
    { id: `${id}-out`, kind: 'stimulus', title: 'Lift out', slot, means, on: false, ...held },
  ];
}
