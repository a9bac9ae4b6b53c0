import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { CLEAN_AIR, ROOM_SLOTS, ROOM_STEP } from './room';
import { zeroAndSpanTogether } from './tries';

const ALL = ['o2', 'ex', 'h2s', 'co', 'so2'];
const DEMAND = 'demand flow';

/** Family 21: pumped five-gas monitor on a pentane scale; a sensor may be absent; block test, full zero, detector pairs done twice, bump both ways. */
export const family21: Procedure = {
  id: 'pumped-five-gas',
  version: 6,
  family: 21,
  title: 'Pumped five-gas monitor, calibration',
  method: 'Comparison with a certified mixture; combustible channel on a pentane scale.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [
    { role: 'o2', label: 'O₂', measurands: ['oxygen'] },
    { role: 'ex', label: 'Combustible', measurands: ['pentane'] },
    { role: 'h2s', label: 'H₂S', measurands: ['hydrogen sulphide'], optional: true },
    { role: 'co', label: 'CO', measurands: ['carbon monoxide'], optional: true },
    { role: 'so2', label: 'SO₂', measurands: ['sulphur dioxide'], optional: true },
  ],
  slots: [{ id: 'mix', label: 'gas mixture', kind: 'gas', needs: 'channelGases' }, ...ROOM_SLOTS],
  points: [
    {
      id: 'zero',
      label: 'Zero',
      channels: ['ex', 'h2s', 'co', 'so2'],
      target: { kind: 'fixed', value: '0', unit: 'channel' },
      tolerance: 'zero',
    },
    { id: 'air', label: 'Clean air', channels: ['o2'], target: { kind: 'computed', function: 'cleanAirOxygen' } },
    {
      id: 'span',
      label: 'Gas',
      channels: ['o2', 'ex', 'h2s', 'co', 'so2'],
      target: { kind: 'material', slot: 'mix', component: 'channelGas', via: 'lelScale' },
    },
    { id: 'response', label: 'Falls in gas', channels: ['o2'], target: { kind: 'observe', direction: 'fall' } },
  ],
  schools: [part.LEFT_GAS, CLEAN_AIR],
  steps: [
    part.warmUp(300),
    {
      id: 'quick',
      kind: 'check',
      title: 'Quick set-up',
      items: [
        {
          id: 'declined',
          label: 'Its quick set-up at switch-on was declined',
          answer: 'yesNo',
          bad: { when: 'negative', follows: ['remark'] },
        },
      ],
      reason:
        'It has a narrow authority and never counts as the zero. Where it ran, the as-found zero is gone: that stands on record.',
    },
    part.blockTest,
    ROOM_STEP,
    part.bottle(),
    part.storedSpan,
    {
      id: 'tube',
      kind: 'check',
      title: 'Tube',
      items: [{ id: 'short', label: 'Short, on the first barb only, no kink', answer: 'yesNo', bad: part.putRight }],
      reason: 'Volume is delay and waste; pushed on too far it leaks.',
    },
    part.readFound('found-zero', ['zero', 'air'], 'As found: clean air', 'Before it is zeroed.'),
    part.gasOn('found-on', 'mix', DEMAND),
    part.readFound('found', ['span'], 'As found: gas', part.BEFORE_ANYTHING),
    {
      id: 'fell',
      kind: 'read',
      title: 'Did oxygen fall?',
      points: ['response'],
      phase: 'check',
      counts: false,
      remark: 'watched only',
      reason: 'A stuck oxygen sensor shows here, before anything is adjusted.',
    },
    part.gasOff('found-off', 'mix', DEMAND),
    ...part.unlessAsFoundOnly([
      part.purge('found-purge'),
      {
        id: 'pass',
        kind: 'group',
        title: 'Zero and span',
        order: 'fixed',
        repeat: { atMost: 2, until: { not: { is: 'property', property: 'detector-pairs' } } },
        steps: [
          {
            id: 'settle',
            kind: 'wait',
            title: 'Wait for the other detector pair',
            minSeconds: 300,
            maxSeconds: 600,
            when: { is: 'iterationAtLeast', count: 2 },
            reason: 'The pairs swap at every zero: both have to be zeroed and spanned, 5 to 10 min apart.',
          },
          ...zeroAndSpanTogether(['zero', 'air'], ['span'], {
            together: [{ not: { is: 'property', property: 'detector-pairs' } }],
            means: DEMAND,
            zeroReason: 'The full zero, not the quick set-up.',
            save: {
              id: 'save',
              kind: 'save',
              title: 'Save',
              evidence: 'readBackDate',
              reason: 'Read the date of the calibration back: today’s proves it.',
            },
          }),
        ],
      },
      part.purge('purge'),
      part.readLeft('left-zero', ['zero', 'air'], 'As left: clean air'),
      ...part.leftInOwnGas(['span'], { means: DEMAND }),
      {
        id: 'before-bump',
        kind: 'wait',
        title: 'Five minutes before the bump',
        minSeconds: 300,
        reason: 'Zero on the display can hide gas still in the sensor.',
      },
      part.gasOn('timed-on', 'mix', DEMAND),
      {
        id: 'bump-timed',
        kind: 'bump',
        title: 'Bump, its own timed test',
        channels: ALL,
        method: 'timed',
        outputs: [],
        follows: part.BUMP_FOLLOWS,
        reason: 'With the gas on. It mutes the alarms for about 30 s, so it proves no buzzer.',
      },
      part.gasOffIfOn('timed-off', 'mix', DEMAND),
      {
        id: 'bump-wait',
        kind: 'wait',
        title: 'Until the alarms are no longer muted',
        minSeconds: 30,
        reason: 'A watched bump before that would miss the sound.',
      },
      part.gasOn('bump-on', 'mix', DEMAND),
      part.watchedBump('bump', ALL, 'A person sees, hears and feels it.'),
      part.gasOffIfOn('bump-off', 'mix', DEMAND),
      part.returnToAir,
    ]),
  ],
  cautions: [part.VENTILATED, part.LOUD, part.BUMP_BEFORE_USE, part.SITE_DECIDES],
};
