import type { Condition } from '@/core/procedure/condition';
import type { Point, Procedure, Slot, Step } from '@/core/procedure/procedure';

/** Steps that many gas families share, as data. Waits, reasons and cautions are common practice; the maker's manual rules. */
export const VENTILATED = 'Toxic gas: ventilated place, cylinder secured, outlet away from people.';
export const MEDICAL = 'Breath and medical instruments: results for a person are decided by qualified practice and local law.';
export const BUMP_BEFORE_USE = 'Bump before use; an instrument that failed or is overdue is tagged out of service.';
export const LOUD = 'The horn is loud close to the ear.';
export const SITE_DECIDES = 'Entry decisions belong to the site’s permit and local codes.';

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
  items: [
    { id: 'peaks', label: 'Peak, STEL and TWA as shown', answer: 'text' },
    { id: 'clock', label: 'Clock ahead of the house’s, s', answer: 'number', unit: 's' },
  ],
  reason: 'They vanish at power-off; logs are downloaded before anything clears them.',
};

export const blockTest: Step = {
  id: 'block',
  kind: 'check',
  title: 'Block the inlet',
  items: [{ id: 'alarm', label: 'Pump stops and the block alarm shows', answer: 'passFault' }],
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
export const purge = (id: string, minSeconds = 60): Step => ({
  id,
  kind: 'wait',
  title: 'Purge',
  minSeconds,
  reason: 'Until the display is back at zero and clean air. Zero on the display can hide gas still in the sensor.',
});

export const returnToAir: Step = {
  id: 'return',
  kind: 'check',
  title: 'Back to clean air',
  items: [{ id: 'clean', label: 'All channels back at zero and clean air', answer: 'yesNo' }],
  reason: 'A channel that hangs is not ready to go out.',
};

export const readFound = (id: string, points: string[], title: string, reason: string): Step => ({
  id,
  kind: 'read',
  title,
  points,
  phase: 'asFound',
  reason,
});
export const readLeft = (id: string, points: string[], title: string, reason = 'What the customer takes home.'): Step => ({
  id,
  kind: 'read',
  title,
  points,
  phase: 'asLeft',
  reason,
});
export const BEFORE_ANYTHING =
  'Before anything is adjusted: the most valuable reading, and the first one lost. Wait for the plateau (45 s to 2 min).';

/** Left out where only the as-found was asked for. */
export const unlessAsFoundOnly = (steps: Step[]): Step[] =>
  steps.map((step) => (step.when ? step : { ...step, when: { not: { is: 'property', property: 'as-found-only' } } }));

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

const TRIM =
  'In a safe area, power off to open and to connect, live only for the trim. Set to the middle of the reachable range, then the span control one turn at a time, watching; fine zero only, never the coarse one. Afterwards leak and pump check. Opening may touch the approval for hazardous areas: qualified repair only.';

const GOES_ON: Condition = {
  any: [
    { is: 'decided', question: 'failedChannel', option: 'trim' },
    { is: 'decided', question: 'failedChannel', option: 'newSensor' },
  ],
};

/** What comes after two failed tries: a decision, channel by channel, never a third silent try. */
export const afterTwoTries = (zero: string[], span: string[], slot = 'mix', means = 'gas at the inlet'): Step => ({
  id: 'failed',
  kind: 'group',
  title: 'After two tries',
  order: 'fixed',
  forEach: 'channel',
  steps: [
    {
      id: 'off',
      kind: 'stimulus',
      title: 'Gas off',
      slot,
      means,
      on: false,
      when: { all: [{ is: 'adjustFailed' }, { is: 'stimulusOn', slot }] },
    },
    {
      id: 'decide',
      kind: 'decide',
      title: 'Two tries failed',
      when: { is: 'adjustFailed' },
      question: 'failedChannel',
      reason: 'First: fresh bottle? flow? kinked tube? expired? temperature? Then one of these.',
      options: [
        { id: 'trim', label: 'Manual trim' },
        { id: 'newSensor', label: 'New sensor now' },
        { id: 'service', label: 'To service: new sensor', consequence: 'service' },
        { id: 'out', label: 'Out of service, with a tag', consequence: 'outOfService' },
      ],
    },
    {
      id: 'sensor',
      kind: 'check',
      title: 'Fit the new sensor',
      when: { is: 'decided', question: 'failedChannel', option: 'newSensor' },
      items: [{ id: 'serial', label: 'Serial of the new sensor', answer: 'sensorSerial' }],
      reason: 'A new series begins with it: the earlier drift says nothing about it.',
    },
    {
      id: 'settle',
      kind: 'wait',
      title: 'Let the new sensor settle',
      minSeconds: 300,
      when: { is: 'decided', question: 'failedChannel', option: 'newSensor' },
    },
    {
      id: 'zero',
      kind: 'adjust',
      title: 'Zero',
      points: zero,
      action: 'zero',
      together: true,
      when: { is: 'decided', question: 'failedChannel', option: 'newSensor' },
    },
    {
      id: 'on',
      kind: 'stimulus',
      title: 'Gas on',
      slot,
      means,
      on: true,
      caution: VENTILATED,
      when: GOES_ON,
    },
    {
      id: 'trim',
      kind: 'adjust',
      title: 'Manual trim',
      points: span,
      action: 'trim',
      together: false,
      reason: TRIM,
      when: { is: 'decided', question: 'failedChannel', option: 'trim' },
    },
    {
      id: 'span',
      kind: 'adjust',
      title: 'Span the new sensor',
      points: span,
      action: 'span',
      together: false,
      when: { is: 'decided', question: 'failedChannel', option: 'newSensor' },
    },
    {
      id: 'shut',
      kind: 'stimulus',
      title: 'Gas off',
      slot,
      means,
      on: false,
      when: { all: [{ is: 'stimulusOn', slot }, GOES_ON] },
    },
    {
      id: 'last',
      kind: 'decide',
      title: 'It still fails: decide',
      when: { is: 'adjustFailed' },
      question: 'lastResort',
      options: [
        { id: 'service', label: 'To service', consequence: 'service' },
        { id: 'out', label: 'Out of service, with a tag', consequence: 'outOfService' },
      ],
    },
  ],
});

/** Zero and span of all channels at once, two tries. */
export const zeroAndSpanTogether = (
  zero: string[],
  span: string[],
  {
    slot = 'mix',
    means = 'gas at the inlet',
    waitSeconds = 45,
    action = 'span',
    zeroReason = 'In clean air, all at once. Clean means: no running engine, no open bottle.',
    spanReason = 'Wait for the plateau, set the bottle’s values, press span.',
    save,
  }: {
    slot?: string;
    means?: string;
    waitSeconds?: number;
    action?: 'span' | 'calibrate';
    zeroReason?: string;
    spanReason?: string;
    save?: Step;
  } = {},
): Step[] => [
  {
    id: 'try',
    kind: 'group',
    title: 'Zero and span',
    order: 'fixed',
    // A save that was lost is no calibration: the round begins anew.
    repeat: { atMost: 2, until: { all: [{ not: { is: 'anyAdjustFailed' } }, { not: { is: 'saveLost' } }] } },
    steps: [
      {
        id: 'clear',
        kind: 'wait',
        title: 'Let it clear',
        minSeconds: 60,
        when: { is: 'iterationAtLeast', count: 2 },
        reason: 'A failed channel is cleared and zeroed before its second and last try.',
      },
      {
        id: 'zero',
        kind: 'adjust',
        title: 'Zero all channels',
        points: zero,
        action: 'zero',
        together: true,
        reason: zeroReason,
      },
      gasOn('on', slot, means),
      {
        id: 'steady',
        kind: 'wait',
        title: 'Wait for the plateau',
        minSeconds: waitSeconds,
        reason: 'As-left and adjustment use measured gas: 45 s to 2 min.',
      },
      { id: 'span', kind: 'adjust', title: 'Span', points: span, action, together: true, reason: spanReason },
      gasOff('off', slot, means),
      ...(save ? [{ ...save, when: { not: { is: 'anyAdjustFailed' } } } as Step] : []),
    ],
  },
  afterTwoTries(zero, span, slot, means),
];
