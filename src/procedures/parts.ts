import type { Condition } from '@/core/procedure/condition';
import type { BadAnswer, Follow } from '@/core/procedure/follow';
import { type CheckItem, type Point, type Procedure, type School, type Slot, type Step } from '@/core/procedure/procedure';
import { OUTPUTS } from '@/core/instrument/output';

/** Steps that many gas families share, as data. Waits, reasons and cautions are common practice; the maker's manual rules. */
export const VENTILATED = 'Toxic gas: ventilated place, cylinder secured, outlet away from people.';
export const MEDICAL = 'Breath and medical instruments: results for a person are decided by qualified practice and local law.';
export const BUMP_BEFORE_USE = 'Bump before use; an instrument that failed or is overdue is tagged out of service.';
export const LOUD = 'The horn is loud close to the ear.';
export const SITE_DECIDES = 'Entry decisions belong to the site’s permit and local codes.';

/** What may follow where a remark is never enough (common practice). */
export const BINDS: Follow[] = ['mend', 'service', 'outOfService', 'return'];
/** A bump that failed: a second one after it was put right, or one of these. */
export const BUMP_FOLLOWS: Follow[] = ['mend', 'service', 'outOfService'];
export const mustBeGood: BadAnswer = { when: 'negative', follows: BINDS };
/** Something that is put right on the spot, or the instrument goes back as it came. */
export const putRight: BadAnswer = { when: 'negative', follows: ['mend', 'return'] };
/** Something that may stand with a word on the document. */
export const worthARemark: BadAnswer = { when: 'negative', follows: ['mend', 'remark', 'service'] };
/** A safety setting other than agreed: set, with who agreed; a remark is never enough. */
export const asAgreed: BadAnswer = { when: { differsFrom: 'agreed' }, follows: ['mend', 'service', 'return'] };
/** A clock further off than this writes dates that say nothing (common practice). */
const CLOCK_LIMIT_SECONDS = '60';
/** Set right and looked at again: both figures stay on record. */
export const clockItem = (id: string): CheckItem => ({
  id,
  label: 'Clock ahead of the house’s, s',
  answer: 'number',
  unit: 's',
  about: 'clock',
  bad: { when: { beyond: CLOCK_LIMIT_SECONDS }, follows: ['mend', 'service', 'return'] },
});
export const peaksItem: CheckItem = { id: 'peaks', label: 'Peak, STEL and TWA as shown', answer: 'text', about: 'peaks' };

export const warmUp = (minSeconds: number, reason = 'Sensors drift while they warm; nothing counts before.'): Step => ({
  id: 'warm-up',
  kind: 'wait',
  title: 'Warm up',
  minSeconds,
  from: 'placed',
  reason,
});

export const bottle = (slot = 'mix'): Step => ({
  id: 'bottle',
  kind: 'reference',
  title: 'Choose the bottle',
  slots: [slot],
  reason: 'The target is the certified value of this bottle, not the usual one.',
  caution: VENTILATED,
});

export const readOut: Step = {
  id: 'read-out',
  kind: 'check',
  title: 'Read out before it is lost',
  items: [peaksItem, clockItem('clock')],
  reason: 'They vanish at power-off; logs are downloaded before anything clears them.',
};

export const blockTest: Step = {
  id: 'block',
  kind: 'check',
  title: 'Block the inlet',
  items: [{ id: 'alarm', label: 'Pump stops and the block alarm shows', answer: 'passFault', bad: mustBeGood }],
  reason: 'Failing usually means a gasket or filter is missing.',
};

export const gasOn = (id: string, slot = 'mix', means = 'gas at the inlet', title = 'Gas on'): Step => ({
  id,
  kind: 'stimulus',
  title,
  slot,
  means,
  on: true,
  caution: VENTILATED,
});
export const gasOff = (id: string, slot = 'mix', means = 'gas at the inlet', title = 'Gas off'): Step => ({
  id,
  kind: 'stimulus',
  title,
  slot,
  means,
  on: false,
});
/** … where it is still open: closed already where something bad was decided meanwhile. */
export const gasOffIfOn = (id: string, slot = 'mix', means = 'gas at the inlet'): Step => ({
  ...gasOff(id, slot, means),
  when: { is: 'stimulusOn', slot },
});
export const purge = (id: string, minSeconds = 60): Step => ({
  id,
  kind: 'wait',
  title: 'Purge',
  minSeconds,
  clears: true,
  reason: 'Until the display is back at zero and clean air. Zero on the display can hide gas still in the sensor.',
});

export const returnToAir: Step = {
  id: 'return',
  kind: 'check',
  title: 'Back to clean air',
  items: [
    { id: 'clean', label: 'All channels back at zero and clean air', answer: 'yesNo', about: 'backInAir', bad: mustBeGood },
  ],
  reason: 'A channel that hangs is not ready to go out.',
};

/** Gas takes at least this long to be answered (common practice: 45 s to 2 min); shorter is a deviation. */
const GAS_SECONDS = 45;
const exposed = (points: string[]) => (points.includes('span') ? { exposureSeconds: GAS_SECONDS } : {});
export const readFound = (id: string, points: string[], title: string, reason: string): Step => ({
  id,
  kind: 'read',
  title,
  points,
  phase: 'asFound',
  reason,
  ...exposed(points),
});
export const readLeft = (id: string, points: string[], title: string, reason = 'What the customer takes home.'): Step => ({
  id,
  kind: 'read',
  title,
  points,
  phase: 'asLeft',
  reason,
  ...exposed(points),
});
/** Whether what nothing lies between shares one gas. */
export const LEFT_GAS: School = {
  id: 'left-gas',
  label: 'As left in gas',
  options: [
    {
      id: 'together',
      label: 'in the gas that is still open after the span',
      reason: 'Nothing lies between, so the gas is not opened twice; the document names it as the same exposure.',
    },
    {
      id: 'apart',
      label: 'in gas that is opened again after the purge',
      reason: 'Shows too that it comes back to clean air and rises again; it takes as much gas once more.',
    },
  ],
  standard: 'together',
};
export const BUMP_GAS: School = {
  id: 'bump-gas',
  label: 'Watched bump',
  options: [
    {
      id: 'found',
      label: 'seen in the as-found gas, where it trips every alarm',
      reason: 'The alarms sound in it anyhow. Once something is opened or replaced it is done again at the end.',
    },
    { id: 'apart', label: 'at the end', reason: 'The last thing that is done before it goes out.' },
  ],
  standard: 'found',
};
export const LEFT_TOGETHER: Condition = { is: 'school', school: 'left-gas', option: 'together' };
const NOTHING_FAILED: Condition = { not: { is: 'anyAdjustFailed' } };
/** As left in the gas that is still open: only where every channel took its span and the save was not lost. */
export const leftInOpenGas = (points: string[], also: Condition[] = []): Step => ({
  ...readLeft('left-here', points, 'As left: gas, still open', 'After the span, in the same gas: named so on the document.'),
  when: { all: [LEFT_TOGETHER, NOTHING_FAILED, { not: { is: 'saveLost' } }, ...also] },
});
/** As left in gas of its own, for whatever channel was not read in the gas of its span. */
export const leftInOwnGas = (points: string[], { slot = 'mix', means = 'gas at the inlet' } = {}): Step[] => {
  const missing: Condition = { is: 'leftMissing', points };
  return [
    { ...gasOn('left-on', slot, means), when: missing },
    { ...readLeft('left', points, 'As left: gas'), when: missing },
    gasOffIfOn('left-off', slot, means),
  ];
};

export const BEFORE_ANYTHING =
  'Before anything is adjusted: the most valuable reading, and the first one lost. Wait for the plateau (45 s to 2 min).';

/** Left out where only the as-found was asked for. */
const GOES_FURTHER: Condition = { not: { is: 'property', property: 'as-found-only' } };
export const unlessAsFoundOnly = (steps: Step[]): Step[] =>
  steps.map((step) => ({ ...step, when: step.when ? { all: [GOES_FURTHER, step.when] } : GOES_FURTHER }));

/** Zero at nothing, oxygen at its clean-air value: the two points of a zero in clean air. */
export const zeroPoints = (toxic: string[], oxygen: string[] = []): Point[] => [
  {
    id: 'zero',
    label: 'Zero',
    channels: toxic,
    target: { kind: 'fixed', value: '0', unit: 'channel' },
    tolerance: 'zero',
  },
  ...(oxygen.length
    ? [
        {
          id: 'air',
          label: 'Clean air',
          channels: oxygen,
          target: { kind: 'computed', function: 'cleanAirOxygen' },
        } satisfies Point,
      ]
    : []),
];
export const spanPoint = (channels: string[], slot = 'mix', via: 'lelScale' | 'certified' = 'lelScale'): Point => ({
  id: 'span',
  label: 'Gas',
  channels,
  target: { kind: 'material', slot, component: 'channelGas', via },
});
export const mixSlot: Slot = { id: 'mix', label: 'gas mixture', kind: 'gas', needs: 'channelGases' };

/** The four channels of an ordinary monitor. */
export const fourChannels: Procedure['channels'] = [
  { role: 'o2', label: 'O₂', measurands: ['oxygen'] },
  { role: 'ex', label: 'Combustible', measurands: ['methane', 'pentane', 'propane'] },
  { role: 'h2s', label: 'H₂S', measurands: ['hydrogen sulphide'], optional: true },
  { role: 'co', label: 'CO', measurands: ['carbon monoxide'], optional: true },
];

/** The value that the instrument keeps for its span, beside the bottle's: set, or the bottle that fits it. */
export const storedSpan: Step = {
  id: 'stored-span',
  kind: 'group',
  title: 'Stored span values',
  order: 'fixed',
  forEach: 'channel',
  when: {
    any: [
      { is: 'property', property: 'span-stored' },
      { is: 'property', property: 'span-fixed' },
    ],
  },
  steps: [
    {
      id: 'value',
      kind: 'check',
      title: 'Stored span value',
      items: [
        {
          id: 'span',
          label: 'Span value that the instrument keeps',
          answer: 'number',
          about: 'storedSpan',
          bad: { when: { differsFrom: 'spanTarget' }, follows: ['mend', 'return'] },
        },
      ],
      reason:
        'One that is not this bottle’s spans it wrong: set it, or take the bottle that fits. Where it can’t be set, any other bottle is refused.',
    },
  ],
};

/** Outputs tried by key or in gas; what this model does not have is not asked. */
export const alarmsTried: Step = {
  id: 'alarms',
  kind: 'check',
  title: 'Sound, light, vibration',
  items: OUTPUTS.map((output) => ({
    id: output,
    label: { sound: 'Horn sounds', light: 'Light flashes', vibration: 'It vibrates' }[output],
    answer: 'passFault',
    output,
    bad: { when: 'negative', follows: ['mend', 'service', 'outOfService'] },
  })),
  reason: 'An alarm that nobody hears, sees or feels warns nobody, whatever the readings say.',
  caution: LOUD,
};

/** A person sees, hears and feels it: the only bump that proves every output. */
export const watchedBump = (id: string, channels: string[], reason: string): Step => ({
  id,
  kind: 'bump',
  title: 'Bump, watched',
  channels,
  method: 'watched',
  outputs: [...OUTPUTS],
  follows: BUMP_FOLLOWS,
  caution: LOUD,
  reason,
});
