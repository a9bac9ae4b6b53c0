import type { Storage } from '@/core/instrument/traits';
import type { Condition } from '@/core/procedure/condition';
import type { BadAnswer } from '@/core/procedure/follow';
import type { CheckItem, Point, Procedure, Slot, Step } from '@/core/procedure/procedure';
import { putRight, worthARemark } from './parts';
import { GONE_ON, NEVER_BACK } from './water-dips';

export * from './water-dips';
export * from './water-schools';

/** Steps that the water families share, as data. Waits, reasons and cautions are common practice; the maker's manual rules. */
export const WET_CARE = 'Electrolyte and cleaning solution: gloves, and the data sheet at hand.';
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
    uses: ['storage'],
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
