import type { Condition } from '@/core/procedure/condition';
import type { DecideOption, Step } from '@/core/procedure/procedure';
import { gasOff, gasOn, LEFT_TOGETHER, leftInOpenGas, VENTILATED } from './parts';

/** How a gas family zeroes and spans: two tries of each, then a decision, never a third silent one. */
const TRIM =
  'In a safe area, power off to open and to connect, live only for the trim. Set to the middle of the reachable range, then the span control one turn at a time, watching. Afterwards leak and pump check. Opening may touch the approval for hazardous areas: qualified repair only.';
const FINE_ZERO =
  'The fine zero control only, never the coarse one; in clean air, and watching the display. Opening: qualified repair only.';
const FIRST_ZERO = 'First: clean air? gas left in the sensor? an engine, an open bottle, a spent scrubber? Then one of these.';

const TO_SERVICE: DecideOption = { id: 'service', label: 'To service: new sensor', consequence: 'service' };
const OUT: DecideOption = { id: 'out', label: 'Out of service, with a tag', consequence: 'outOfService' };
const RETURN: DecideOption = { id: 'return', label: 'Returned uncalibrated', consequence: 'return' };
/** What ends the matter for the whole instrument. */
export const GIVEN_UP: DecideOption[] = [TO_SERVICE, OUT, RETURN];
const chose = (question: 'failedZero' | 'failedChannel', option: string): Condition => ({
  is: 'decided',
  question,
  option,
  here: true,
});

/** A zero with its second try, then the fine control or a decision, channel by channel. `before` and `after` put a filter on and off. */
export const zeroing = (
  points: string[],
  {
    id = 'zeroing',
    title = 'Zero all channels',
    reason,
    before = [],
    after = [],
  }: { id?: string; title?: string; reason: string } & Around,
): Step[] => [
  {
    id,
    kind: 'group',
    title: 'Zero',
    order: 'fixed',
    repeat: { atMost: 2, until: { not: { is: 'anyZeroFailed' } } },
    steps: [
      {
        id: 'clear',
        kind: 'wait',
        title: 'Let it clear',
        minSeconds: 60,
        when: { is: 'iterationAtLeast', count: 2 },
        reason: 'What failed once is cleared before its second and last try.',
      },
      ...before,
      { id: 'zero', kind: 'adjust', title, points, action: 'zero', together: true, reason },
      ...after,
    ],
  },
  {
    id: `${id}-failed`,
    kind: 'group',
    title: 'Zero failed twice',
    order: 'fixed',
    forEach: 'channel',
    steps: [
      {
        id: 'decide',
        kind: 'decide',
        title: 'Zero failed twice',
        when: { is: 'zeroFailed' },
        question: 'failedZero',
        reason: FIRST_ZERO,
        options: [{ id: 'fineZero', label: 'Fine zero control' }, { id: 'newSensor', label: 'New sensor now' }, TO_SERVICE, OUT],
      },
      ...newSensor('failedZero'),
      ...before.map((step): Step => ({ ...step, when: NOT_GIVEN_UP })),
      {
        id: 'fine',
        kind: 'adjust',
        title: 'Fine zero',
        points,
        action: 'fineZero',
        together: false,
        when: chose('failedZero', 'fineZero'),
        reason: FINE_ZERO,
      },
      {
        id: 'zero',
        kind: 'adjust',
        title: 'Zero the new sensor',
        points,
        action: 'zero',
        together: false,
        when: chose('failedZero', 'newSensor'),
      },
      ...after.map((step): Step => ({ ...step, when: NOT_GIVEN_UP })),
      {
        id: 'last',
        kind: 'decide',
        title: 'It still fails: decide',
        when: { all: [{ is: 'zeroFailed' }, NOT_GIVEN_UP] },
        question: 'lastResort',
        options: [TO_SERVICE, OUT],
      },
    ],
  },
];
const NOT_GIVEN_UP: Condition = { any: [chose('failedZero', 'fineZero'), chose('failedZero', 'newSensor')] };

function newSensor(question: 'failedZero' | 'failedChannel'): Step[] {
  const when = chose(question, 'newSensor');
  return [
    {
      id: 'sensor',
      kind: 'check',
      title: 'Fit the new sensor',
      when,
      items: [{ id: 'serial', label: 'Serial of the new sensor', answer: 'sensorSerial' }],
      reason: 'A new series begins with it: the earlier drift says nothing about it.',
    },
    { id: 'settle', kind: 'wait', title: 'Let the new sensor settle', minSeconds: 300, when },
  ];
}

const GOES_ON: Condition = { any: [chose('failedChannel', 'trim'), chose('failedChannel', 'newSensor')] };
const ZERO_STANDS: Condition = { not: { is: 'zeroFailed' } };

/** A filter on before a zero, and off after it. */
interface Around {
  before?: Step[];
  after?: Step[];
}
interface GasWay {
  slot?: string;
  means?: string;
}

/** What comes after two failed spans of a channel: gas off first, then a decision. A new sensor that is kept by a save is saved. */
export const afterTwoTries = (
  zero: string[],
  span: string[],
  { slot = 'mix', means = 'gas at the inlet', before = [], after = [], save }: GasWay & Around & { save?: Step | undefined } = {},
): Step => ({
  id: 'failed',
  kind: 'group',
  title: 'After two tries',
  order: 'fixed',
  forEach: 'channel',
  steps: [
    { ...gasOff('off', slot, means), when: { all: [{ is: 'adjustFailed' }, { is: 'stimulusOn', slot }] } },
    {
      id: 'decide',
      kind: 'decide',
      title: 'Two tries failed',
      when: { is: 'adjustFailed' },
      question: 'failedChannel',
      reason: 'First: fresh bottle? flow? kinked tube? expired? temperature? Then one of these.',
      options: [{ id: 'trim', label: 'Manual trim' }, { id: 'newSensor', label: 'New sensor now' }, TO_SERVICE, OUT],
    },
    ...newSensor('failedChannel'),
    ...before.map((step): Step => ({ ...step, when: chose('failedChannel', 'newSensor') })),
    {
      id: 'zero',
      kind: 'adjust',
      title: 'Zero',
      points: zero,
      action: 'zero',
      together: true,
      when: chose('failedChannel', 'newSensor'),
    },
    ...after.map((step): Step => ({ ...step, when: chose('failedChannel', 'newSensor') })),
    { ...gasOn('on', slot, means), caution: VENTILATED, when: { all: [GOES_ON, ZERO_STANDS] } },
    {
      id: 'trim',
      kind: 'adjust',
      title: 'Manual trim',
      points: span,
      action: 'trim',
      together: false,
      reason: TRIM,
      when: chose('failedChannel', 'trim'),
    },
    {
      id: 'span',
      kind: 'adjust',
      title: 'Span the new sensor',
      points: span,
      action: 'span',
      together: false,
      when: { all: [chose('failedChannel', 'newSensor'), ZERO_STANDS] },
    },
    { ...gasOff('shut', slot, means), when: { all: [{ is: 'stimulusOn', slot }, GOES_ON] } },
    ...(save
      ? [
          {
            ...save,
            id: 'keep',
            when: { all: [chose('failedChannel', 'newSensor'), ZERO_STANDS, { not: { is: 'adjustFailed' } }] },
          } as Step,
        ]
      : []),
    {
      id: 'last',
      kind: 'decide',
      title: 'It still fails: decide',
      when: { all: [GOES_ON, { any: [{ is: 'adjustFailed' }, { is: 'zeroFailed' }, { is: 'saveLost' }] }] },
      question: 'lastResort',
      options: [TO_SERVICE, OUT],
    },
  ],
});

/** Lost twice: it does not keep its calibration. */
export const notSavedTwice: Step = {
  id: 'not-saved',
  kind: 'decide',
  title: 'Not saved twice: decide',
  when: { all: [{ is: 'saveLost' }, { not: { is: 'anyAdjustFailed' } }] },
  question: 'notSaved',
  reason: 'An instrument that does not keep its calibration is not calibrated. First: keys, battery, its own clock?',
  options: GIVEN_UP,
};

/** What keeps a round of zero and span from being the last: something was refused, or the save was lost. */
const STANDS: Condition = { all: [{ not: { is: 'anyAdjustFailed' } }, { not: { is: 'saveLost' } }] };

/** Zero and span of all channels at once, two tries, saved; then what each failed channel comes to. */
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
    before = [],
    after = [],
    look = [],
    save,
    together,
  }: GasWay &
    Around & {
      waitSeconds?: number;
      action?: 'span' | 'calibrate';
      zeroReason?: string;
      spanReason?: string;
      /** Another look in gas before it is saved. */
      look?: Step[];
      save?: Step;
      /** Where the gas may stay open after the span: saved and read as left in it; `also` what else has to hold. */
      together?: Condition[];
    } = {},
): Step[] => {
  const inGas: Condition = { all: [NOT_FAILED, LEFT_TOGETHER, ...(together ?? [])] };
  return [
    {
      id: 'try',
      kind: 'group',
      title: 'Zero and span',
      order: 'fixed',
      // A save that was lost is no calibration: the round begins anew.
      repeat: { atMost: 2, until: STANDS },
      steps: [
        {
          id: 'clear',
          kind: 'wait',
          title: 'Let it clear',
          minSeconds: 60,
          clears: true,
          when: { is: 'iterationAtLeast', count: 2 },
          reason: 'A failed channel is cleared and zeroed before its second and last try.',
        },
        ...zeroing(zero, { reason: zeroReason, before, after }),
        gasOn('on', slot, means),
        {
          id: 'steady',
          kind: 'wait',
          title: 'Wait for the plateau',
          minSeconds: waitSeconds,
          reason: 'As-left and adjustment use measured gas: 45 s to 2 min.',
        },
        { id: 'span', kind: 'adjust', title: 'Span', points: span, action, together: true, reason: spanReason },
        ...(together
          ? [...(save ? [{ ...save, id: `${save.id}-in-gas`, when: inGas } as Step] : []), leftInOpenGas(span, together)]
          : []),
        gasOff('off', slot, means),
        ...look.map((step): Step => ({ ...step, when: ACCEPTED_HERE })),
        ...(save ? [{ ...save, when: together ? { all: [NOT_FAILED, { not: inGas }] } : NOT_FAILED } as Step] : []),
      ],
    },
    afterTwoTries(zero, span, { slot, means, before, after, save }),
    ...(save ? [notSavedTwice] : []),
  ];
};
const NOT_FAILED: Condition = { not: { is: 'anyAdjustFailed' } };
/** In this round: a trim that mends it later asks for no look back in here, with its own gas open. */
const ACCEPTED_HERE: Condition = { all: [NOT_FAILED, { not: { is: 'adjustFailedHere' } }] };
