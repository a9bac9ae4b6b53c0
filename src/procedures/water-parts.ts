import type { Storage } from '@/core/instrument/traits';
import type { Condition } from '@/core/procedure/condition';
import type { BadAnswer } from '@/core/procedure/follow';
import type { CheckItem, Point, Procedure, School, Slot, Step } from '@/core/procedure/procedure';
import { putRight, worthARemark } from './parts';

/** Steps that the water families share, as data. Waits, reasons and cautions are common practice; the maker's manual rules. */
export const WET_CARE = 'Electrolyte and cleaning solution: gloves, and the data sheet at hand.';
export const NEVER_BACK = 'Fresh from the bottle into the beaker; used solution never goes back and is never used again.';
const RINSE = 'Rinse 10 s, never rub. ';
/** What rinsing and drying mean by the chosen school. */
const RINSED: NonNullable<Step['says']> = [
  { school: 'rinsing', option: 'distilled', text: 'Rinse with distilled water.' },
  { school: 'rinsing', option: 'tap', text: 'Rinse under the tap: never distilled after the field.' },
  { school: 'drying', option: 'shake', text: 'Shake off, do not wipe.' },
  { school: 'drying', option: 'dab', text: 'Dab dry.' },
];

/** Section of questions on which practitioners disagree, with what is done here and why. */
export const DRYING: School = {
  id: 'drying',
  label: 'Drying the probe',
  options: [
    { id: 'shake', label: 'shake off only', reason: 'Wiping charges the glass, and the reading drifts.' },
    { id: 'dab', label: 'dab dry', reason: 'Less carry-over with small beakers; dab, never rub.' },
  ],
  standard: 'shake',
};
export const RINSING: School = {
  id: 'rinsing',
  label: 'Rinsing',
  options: [
    {
      id: 'distilled',
      label: 'distilled water',
      reason: 'Nothing is carried into the next buffer. It is for rinsing only, never for storing.',
    },
    { id: 'tap', label: 'tap water', reason: 'After the field: washes salts off without starving the glass.' },
  ],
  standard: 'distilled',
};
export const POINTS: School = {
  id: 'points',
  label: 'Number of buffers',
  options: [
    { id: 'one', label: 'one', reason: 'Quick check of the offset only: it gives no slope.' },
    { id: 'two', label: 'two', reason: 'Brackets the samples from pH 4 to 8.', over: { ph: '0' } },
    { id: 'three', label: 'three', reason: 'Samples exceed pH 8.', over: { ph: '8' } },
  ],
  standard: 'two',
};
/** Which second buffer brackets the samples. */
export const BRACKET: School = {
  id: 'bracket',
  label: 'Second buffer',
  options: [
    { id: 'acid', label: '4.01', reason: 'Brackets samples below pH 7, and a little over.', over: { ph: '0' } },
    { id: 'alkaline', label: '10.01', reason: 'Samples exceed pH 8: 7 and 10 bracket them.', over: { ph: '8' } },
  ],
  standard: 'acid',
};
/** Whether a standard of 12.88 mS/cm is dipped into. */
export const HIGH_STANDARD: School = {
  id: 'high-standard',
  label: '12.88 mS/cm',
  options: [
    { id: 'no', label: 'left out', reason: 'Samples stay under 2 mS/cm.', over: { conductivity: '0' } },
    { id: 'yes', label: 'calibrated too', reason: 'Samples exceed 2 mS/cm.', over: { conductivity: '2000' } },
  ],
  standard: 'yes',
};
/** One conductivity standard, near the sample (or about 65 % of full scale where nobody knows it; common practice). */
export const nearSample = (options: [id: string, label: string, over: string][], standard: string): School => ({
  id: 'ec-standard',
  label: 'Conductivity standard',
  options: options.map(([id, label, over]) => ({
    id,
    label,
    reason: `Near samples of over ${over} µS/cm; where nobody knows them, about 65 % of full scale.`,
    over: { conductivity: over },
  })),
  standard,
});
export const VERIFYING: School = {
  id: 'verifying',
  label: 'Check afterwards',
  options: [
    { id: 'same', label: 'the same buffer again', reason: 'Repeatability: shows that it was taken, ± 0.1 pH.' },
    { id: 'second', label: 'a second standard', reason: 'Verification: another bottle, about twice the first.' },
  ],
  standard: 'same',
};
/** A question with the answer that this procedure starts from, and only the answers that it can follow. */
export const offering = (school: School, standard: string, only?: string[]): School => ({
  ...school,
  options: school.options.filter((one) => !only || only.includes(one.id)),
  standard,
});
export const school = (id: string, option: string): Condition => ({ is: 'school', school: id, option });

export const buffer = (id: string, label: string, substance: string): Slot => ({
  id,
  label,
  kind: 'buffer',
  needs: [substance],
});
export const standard = (id: string, label: string, substance: string): Slot => ({
  id,
  label,
  kind: 'standard',
  needs: [substance],
});

/** A pH point in a buffer at its own temperature. */
export const inBuffer = (id: string, label: string, slot: string, substance: string, limit = '0.1'): Point => ({
  id,
  label,
  channels: ['ph'],
  target: { kind: 'material', slot, component: substance, via: 'atTemperature' },
  tolerance: { limit },
});

/** Cracked, torn, rusty: a new part or care and with it a new series; else it goes back uncalibrated (common practice). */
const renews = (...resets: string[]): BadAnswer => ({ when: 'negative', follows: ['mend', 'service', 'return'], resets });
const GLASS: CheckItem[] = [
  { id: 'glass', label: 'Glass intact and wet, no crack, no bubble at the tip', answer: 'passFault', bad: renews('ph') },
  { id: 'plug', label: 'Plug dry, pins straight, cable not twisted', answer: 'passFault', bad: worthARemark },
];
const DRY: CheckItem = { id: 'dry', label: 'It came dry', answer: 'yesNo', about: 'cameDry', bad: 'none' };
const FIRST_USE: CheckItem = { ...DRY, label: 'It came dry, or is used for the first time' };
/** A new glass is hydrated like one that came dry. */
export const lookAt = ({ firstUse = false } = {}): Step => ({
  id: 'look',
  kind: 'check',
  title: 'Look at the electrode',
  items: [...GLASS, firstUse ? FIRST_USE : DRY],
  reason: 'A dry glass is soaked before it counts.',
});
export const lookAtGlass = lookAt();
/** A meter without a probe for temperature is told it by hand. */
export const manualTemperature: Step = {
  id: 'manual-temperature',
  kind: 'check',
  title: 'Temperature by hand',
  items: [{ id: 'set', label: 'Set on the meter to what the thermometer shows', answer: 'yesNo', bad: putRight }],
  reason: 'It has no probe for it: what it compensates by is what was typed in.',
  when: { not: { is: 'channel', role: 'temperature' } },
};
/** Only for an electrode that came dry: it is care on record, and begins a new series. */
export const soak = (look: string, resets: string[] = ['ph']): Step[] => [
  {
    id: 'soak',
    kind: 'care',
    title: 'Soak it',
    action: 'Soaked in storage solution (it came dry)',
    resets,
    reason: '1 to 2 h in storage solution or 3 M KCl; never in pure water.',
    caution: WET_CARE,
    when: { is: 'answered', step: look, item: 'dry', equals: 'yes' },
  },
  {
    id: 'soaking',
    kind: 'wait',
    title: 'Soaking',
    minSeconds: 3600,
    reason: 'A new or dried electrode at least one hour.',
    when: { is: 'answered', step: look, item: 'dry', equals: 'yes' },
  },
];

export const lookAtCell: Step = {
  id: 'look-cell',
  kind: 'check',
  title: 'Look at the cell',
  items: [
    { id: 'electrodes', label: 'Electrodes clean, no rust, no film', answer: 'passFault', bad: renews('ec') },
    { id: 'vents', label: 'Vents open', answer: 'passFault', bad: putRight },
  ],
};
export const lookAtMembrane: Step = {
  id: 'look-membrane',
  kind: 'check',
  title: 'Look at the oxygen probe',
  items: [
    { id: 'membrane', label: 'Membrane not wrinkled, not torn, no drop on it', answer: 'passFault', bad: renews('do', 'sat') },
    { id: 'electrolyte', label: 'Electrolyte more than half full', answer: 'yesNo', bad: renews('do', 'sat') },
  ],
  reason: 'A little crystal is fine.',
};

/** Temperature first: everything that follows is judged at it. Within 1 °C is good, to 2 °C a caution, beyond it is recalibrated. */
export const temperaturePoint: Point = {
  id: 'temperature',
  label: 'Thermometer',
  channels: ['temperature'],
  target: { kind: 'comparison', slot: 'thermometer' },
  tolerance: { caution: '1', limit: '2' },
};
export const thermometer: Slot = {
  id: 'thermometer',
  label: 'thermometer',
  kind: 'tool',
  needs: ['temperature'],
  roles: ['thermometer'],
};
/** Something was ordered beyond the as-found. */
export const GONE_ON: Condition = { not: { is: 'property', property: 'as-found-only' } };
const HAS_TEMPERATURE: Condition = { is: 'channel', role: 'temperature' };
export const temperatureFirst: Step[] = [
  {
    id: 'thermometer',
    kind: 'reference',
    title: 'Choose the thermometer',
    slots: ['thermometer'],
    reason:
      'Beside the probe in every liquid: what a buffer or standard is worth follows the temperature, and no instrument is its own reference.',
  },
  {
    id: 'temperature',
    kind: 'read',
    title: 'As found: temperature',
    points: ['temperature'],
    phase: 'asFound',
    reason:
      'Probe and thermometer in one stirred beaker. Within 1 °C is good; to 2 °C a caution; beyond, the sensor is recalibrated first.',
    when: HAS_TEMPERATURE,
  },
  {
    id: 'temperature-set',
    kind: 'adjust',
    title: 'Recalibrate the temperature',
    points: ['temperature'],
    action: 'calibrate',
    together: true,
    reason: 'Beyond 2 °C every compensated value is wrong.',
    when: { all: [GONE_ON, HAS_TEMPERATURE, { is: 'readingOutside', phase: 'asFound' }] },
  },
  {
    id: 'temperature-left',
    kind: 'read',
    title: 'As left: temperature',
    points: ['temperature'],
    phase: 'asLeft',
    when: { all: [HAS_TEMPERATURE, { is: 'anythingAdjusted' }] },
  },
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

/** Into the liquid, read, out again: three steps of one dip. */
export function dip(id: string, phase: 'asFound' | 'asLeft' | 'check', given: DipOptions): Step[] {
  const { slot, title, point, means = 'probe in the liquid', reason, when } = given;
  // Where nothing is adjusted the as-found stands for both.
  const then = phase === 'asLeft' ? both(GONE_ON, when) : when;
  const held = then ? { when: then } : {};
  const what = { asFound: 'As found', asLeft: 'As left', check: 'Check' }[phase];
  return [
    {
      id: `${id}-in`,
      kind: 'stimulus',
      title: `Dip into ${title}`,
      slot,
      means,
      on: true,
      reason: RINSE + NEVER_BACK,
      says: RINSED,
      ...held,
    },
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
    { id: `${id}-out`, kind: 'stimulus', title: 'Lift out', slot, means, on: false, ...held },
  ];
}

/** A point of the calibration: dip, take the voltage, press the key, lift. */
export function calibrateIn(id: string, given: DipOptions & { key?: string }): Step[] {
  const { slot, title, point, means = 'probe in the liquid', reason, when, key } = given;
  const held = { when: both(GONE_ON, when) };
  return [
    {
      id: `${id}-in`,
      kind: 'stimulus',
      title: `Dip into ${title}`,
      slot,
      means,
      on: true,
      reason: RINSE + NEVER_BACK,
      says: RINSED,
      ...held,
    },
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
    { id: `${id}-out`, kind: 'stimulus', title: 'Lift out', slot, means, on: false, ...held },
  ];
}

export const chooseLiquids = (id: string, title: string, slots: string[], when?: Condition): Step => ({
  id,
  kind: 'reference',
  title,
  slots,
  reason: NEVER_BACK,
  ...(when ? { when } : {}),
});

/** What the meter itself says of the electrode after its calibration. */
export const readBackSlope = (id: string, needsPoints = 2, more: CheckItem[] = []): Step => ({
  id,
  kind: 'check',
  title: 'Read back from the meter',
  items: [
    { id: 'slope', label: 'Slope, %', answer: 'number', unit: '%', needsPoints, reads: { figure: 'slope', role: 'ph' } },
    ...more,
  ],
  reason: 'One buffer gives an offset, no slope: then write “none”.',
  when: GONE_ON,
});

const STORED: [property: `stores-${Storage}`, label: string][] = [
  ['stores-wet', 'Cap with storage solution or 3 M KCl on the glass'],
  ['stores-droplets', 'A few droplets of storage solution in the cap; over 24 h in it harms the conductivity cell'],
  ['stores-dry', 'Rinsed, wiped, and kept dry'],
  ['stores-moist', 'In its moist sleeve, membrane not touching'],
];
/** How this probe is stored is a trait of its model; where none is known, all kinds are named. */
export const store: Step[] = [
  ...STORED.map(([property, label]): Step => ({
    id: property,
    kind: 'check',
    title: 'Store it as its kind wants',
    items: [{ id: 'stored', label, answer: 'yesNo', bad: worthARemark }],
    reason: 'Never in pure water: it starves the glass.',
    when: { is: 'property', property },
  })),
  {
    id: 'store',
    kind: 'check',
    title: 'Store it as its kind wants',
    items: [
      {
        id: 'stored',
        label: 'pH in storage solution; combined with droplets only; conductivity rinsed and dry',
        answer: 'yesNo',
        bad: worthARemark,
      },
    ],
    reason: 'Never in pure water: it starves the glass.',
    when: { not: { any: STORED.map(([property]) => ({ is: 'property', property }) as const) } },
  },
];

export const phChannel: Procedure['channels'][number] = { role: 'ph', label: 'pH', measurands: ['pH'] };
export const ecChannel: Procedure['channels'][number] = { role: 'ec', label: 'Conductivity', measurands: ['conductivity'] };
export const temperatureChannel: Procedure['channels'][number] = {
  role: 'temperature',
  label: 'Temperature',
  measurands: ['temperature'],
  optional: true,
};
