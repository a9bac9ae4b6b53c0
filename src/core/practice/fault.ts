import type { Traits } from '../instrument/traits';
import { flatSteps } from '../procedure/flat-steps';
import type { Procedure, Step } from '../procedure/procedure';
import type { RunChannel } from '../record/event';

/** Where a hand looks to find out what is wrong. Closed. */
export const LOOKS = [
  'tube',
  'pump',
  'regulator',
  'bottle',
  'filter',
  'room',
  'sensor',
  'outputs',
  'clock',
  'probe',
  'beaker',
  'thermometer',
  'save',
] as const;
export type Look = (typeof LOOKS)[number];

/** What a hand does about it. Closed; 'service' is a decision of the sheet and nothing that is done here. */
export const REMEDIES = [
  'straightenTube',
  'chargePump',
  'demandRegulator',
  'otherBottle',
  'freshFilter',
  'air',
  'setClock',
  'clean',
  'soak',
  'swirl',
  'dry',
  'newMembrane',
  'wait',
  'freshLiquid',
  'service',
] as const;
export type Remedy = (typeof REMEDIES)[number];

/** What a fault does to what is shown. */
export interface Effect {
  /** Share of what it should move from its rest by. */
  gain?: number;
  stuck?: true;
  /** Follows so many times slower. */
  slower?: number;
  /** Shows so many tolerances more. */
  shift?: number;
  /** Jumps by this share of what it shows. */
  jumps?: number;
  /** Creeps, tolerances a minute. */
  creep?: number;
  /** Share of gas or liquid that gets there; at 0 nothing does. */
  reaches?: number;
  /** What stands in the place moves it by this share of what its label says. */
  label?: number;
  absent?: true;
  saveLost?: true;
  silent?: true;
  clockAheadSeconds?: number;
}

export interface Fault {
  effect: Effect;
  look: Look;
  remedy: Remedy;
  /** One channel has it, or the whole instrument. */
  of: 'channel' | 'all';
  /** Whether it is put right before anything is read, since it is none of the instrument's: a tube, a bottle, bubbles. */
  first?: true;
  /** Whether a channel (or the whole, for `all`) can have it in this run. */
  fits: (on: { channel: RunChannel; procedure: Procedure; traits: Traits; alone?: boolean }) => boolean;
}

const WATER: string[] = [
  'pH',
  'conductivity',
  'dissolved oxygen',
  'oxygen saturation',
  'dissolved solids',
  'redox potential',
  'ion concentration',
  'turbidity',
];
const measures =
  (...those: string[]) =>
  ({ channel }: { channel: RunChannel }) =>
    those.includes(channel.measurand);
const gas = ({ channel }: { channel: RunChannel }) => channel.calibrationGas !== undefined;
const toxic = ({ channel }: { channel: RunChannel }) =>
  channel.unit === 'ppm' && channel.calibrationGas !== undefined && channel.measurand !== 'oxygen';
const has = (procedure: Procedure, holds: (step: Step) => boolean) => flatSteps(procedure.steps).some(({ step }) => holds(step));
const asks = (procedure: Procedure, about: string) =>
  has(procedure, (one) => one.kind === 'check' && one.items.some((item) => item.about === about));
const sounds = (procedure: Procedure) =>
  has(
    procedure,
    (one) =>
      (one.kind === 'bump' && one.outputs.includes('sound')) ||
      (one.kind === 'check' && one.items.some((item) => item.output === 'sound')),
  );
const buffers = (procedure: Procedure) => procedure.slots.some((one) => one.kind === 'buffer' || one.kind === 'standard');

const sensor = { of: 'channel', look: 'sensor', remedy: 'service' } as const;
const bench = { of: 'all', first: true } as const;
const probe = { of: 'channel', look: 'probe' } as const;

/** Faults that a technician meets, by name, with where each is seen and what puts it right. Sizes are of a common order (common practice), no maker's. */
export const FAULTS = {
  weakSensor: { ...sensor, effect: { gain: 0.35 }, fits: (on) => gas(on) && on.channel.measurand !== 'oxygen' },
  poisonedSensor: { ...sensor, effect: { gain: 0.1 }, fits: (on) => gas(on) && on.channel.unit === '%LEL' },
  stuckSensor: { ...sensor, effect: { stuck: true }, fits: gas },
  slowSensor: { ...sensor, effect: { slower: 4 }, fits: toxic },
  absentSensor: { ...sensor, effect: { absent: true }, fits: (on) => gas(on) && on.alone !== true },
  background: {
    of: 'channel',
    look: 'room',
    remedy: 'air',
    first: true,
    effect: { shift: 2.5 },
    fits: (on) => toxic(on) && on.channel.measurand !== 'carbon dioxide',
  },
  spentFilter: {
    of: 'channel',
    look: 'filter',
    remedy: 'freshFilter',
    first: true,
    effect: { shift: 2.5 },
    fits: measures('carbon dioxide'),
  },
  kinkedTube: { ...bench, look: 'tube', remedy: 'straightenTube', effect: { reaches: 0 }, fits: gas },
  weakPump: {
    ...bench,
    look: 'pump',
    remedy: 'chargePump',
    effect: { reaches: 0.3 },
    fits: (on) => gas(on) && on.traits.pumped === true,
  },
  wrongRegulator: {
    ...bench,
    look: 'regulator',
    remedy: 'demandRegulator',
    effect: { reaches: 0.35 },
    fits: (on) => gas(on) && on.traits.pumped === true,
  },
  fadedBottle: {
    of: 'channel',
    look: 'bottle',
    remedy: 'otherBottle',
    first: true,
    effect: { label: 0.7 },
    fits: (on) => toxic(on) && on.channel.measurand !== 'carbon dioxide',
  },
  missesSave: {
    ...bench,
    first: undefined,
    look: 'save',
    remedy: 'service',
    effect: { saveLost: true },
    fits: ({ procedure }) => has(procedure, (one) => one.kind === 'save'),
  },
  deadBuzzer: {
    ...bench,
    first: undefined,
    look: 'outputs',
    remedy: 'service',
    effect: { silent: true },
    fits: ({ procedure, traits }) => sounds(procedure) && (traits.outputs ?? ['sound']).includes('sound'),
  },
  wrongClock: {
    ...bench,
    first: undefined,
    look: 'clock',
    remedy: 'setClock',
    effect: { clockAheadSeconds: 5400 },
    fits: ({ procedure }) => asks(procedure, 'clock'),
  },
  agedElectrode: { ...probe, remedy: 'service', effect: { gain: 0.87 }, fits: measures('pH') },
  tiredElectrode: { ...probe, remedy: 'service', effect: { gain: 0.93 }, fits: measures('pH') },
  greasyElectrode: { ...probe, remedy: 'clean', effect: { gain: 0.91, slower: 4 }, fits: measures('pH') },
  coatedElectrode: { ...probe, remedy: 'clean', effect: { slower: 6 }, fits: measures('pH') },
  driedElectrode: { ...probe, remedy: 'soak', effect: { slower: 5, creep: 0.6 }, fits: measures('pH') },
  crackedGlass: { ...probe, remedy: 'service', effect: { gain: 0.015 }, fits: measures('pH') },
  spentReference: { ...probe, remedy: 'service', effect: { shift: 8 }, fits: measures('pH') },
  swappedLiquid: {
    of: 'channel',
    look: 'beaker',
    remedy: 'freshLiquid',
    first: true,
    effect: { label: 0.02 },
    fits: (on) => measures('pH')(on) && buffers(on.procedure),
  },
  spoiltLiquid: {
    of: 'channel',
    look: 'beaker',
    remedy: 'freshLiquid',
    first: true,
    effect: { label: 0.8 },
    fits: (on) => measures('pH')(on) && buffers(on.procedure),
  },
  wrongStandard: {
    of: 'channel',
    look: 'beaker',
    remedy: 'freshLiquid',
    first: true,
    effect: { label: 1.12 },
    fits: (on) => measures('conductivity')(on) && buffers(on.procedure),
  },
  warmLiquid: {
    of: 'channel',
    look: 'thermometer',
    remedy: 'wait',
    first: true,
    effect: { creep: 1 },
    fits: (on) => measures('pH', 'conductivity')(on) && buffers(on.procedure),
  },
  temperatureSensor: {
    of: 'channel',
    look: 'thermometer',
    remedy: 'service',
    effect: { shift: 3.6 },
    fits: measures('temperature'),
  },
  bubbles: { ...probe, remedy: 'swirl', first: true, effect: { gain: 0.86, jumps: 0.035 }, fits: measures('conductivity') },
  dirtyCell: { ...probe, remedy: 'clean', effect: { gain: 0.88 }, fits: measures('conductivity') },
  polarisedCell: { ...probe, remedy: 'service', effect: { gain: 0.8 }, fits: measures('conductivity') },
  wrinkledMembrane: {
    ...probe,
    remedy: 'newMembrane',
    effect: { gain: 0.97, jumps: 0.05 },
    fits: measures('dissolved oxygen', 'oxygen saturation'),
  },
  lowElectrolyte: {
    ...probe,
    remedy: 'newMembrane',
    effect: { gain: 0.68 },
    fits: measures('dissolved oxygen', 'oxygen saturation'),
  },
  notPolarised: {
    ...probe,
    remedy: 'wait',
    first: true,
    effect: { gain: 1.3 },
    fits: measures('dissolved oxygen', 'oxygen saturation'),
  },
  wetMembrane: {
    ...probe,
    remedy: 'dry',
    first: true,
    effect: { gain: 0.86 },
    fits: measures('dissolved oxygen', 'oxygen saturation'),
  },
} as const satisfies Record<string, Omit<Fault, 'first'> & { first?: true | undefined }>;
export type FaultId = keyof typeof FAULTS;
export const FAULT_IDS = Object.keys(FAULTS) as FaultId[];
export const faultOf = (id: FaultId): Fault => FAULTS[id] as Fault;

/** One fault that an exercise hides, and in which channel; the whole instrument where none is named. */
export interface Hidden {
  fault: FaultId;
  channel?: string;
}

/** What the faults in a channel do, or with null those of the whole instrument. */
export const effectsOn = (hidden: readonly Hidden[], channel: string | null): Effect[] =>
  hidden.filter((one) => (one.channel ?? null) === channel).map(({ fault }) => faultOf(fault).effect);

/**
 * Every fault that an instrument can have in a run of a procedure.
 * Errors: none.
 *
 * @example
 * possibleFaults({ channels, procedure, traits }).some(({ fault }) => fault === 'kinkedTube') // true for a gas monitor
 */
export function possibleFaults({
  channels,
  procedure,
  traits,
}: {
  channels: readonly RunChannel[];
  procedure: Procedure;
  traits: Traits;
}): Hidden[] {
  const measured = channels.filter((one) => one.status === 'fitted');
  return FAULT_IDS.flatMap((fault): Hidden[] => {
    const { of, fits } = faultOf(fault);
    const those = measured.filter((channel) => fits({ channel, procedure, traits, alone: measured.length === 1 }));
    if (of === 'all') return those.length ? [{ fault }] : [];
    return those.map((channel) => ({ fault, channel: channel.id }));
  });
}

export const isWater = (channels: readonly RunChannel[]): boolean => channels.some((one) => WATER.includes(one.measurand));
