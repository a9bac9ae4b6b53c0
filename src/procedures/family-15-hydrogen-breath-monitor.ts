import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';
import { afterTwoTries, notSavedTwice, zeroing } from './tries';

const MEDICAL = 'Breath and medical instruments: results for a person are decided by qualified practice and local law.';

/** Family 15: hydrogen breath monitor; gas off at once, and the confirmation has a deadline or the calibration is lost. */
export const family15: Procedure = {
  id: 'hydrogen-breath-monitor',
  version: 3,
  family: 15,
  title: 'Hydrogen breath monitor, calibration',
  method: 'Comparison with certified hydrogen in air.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [{ role: 'h2', label: 'H₂', measurands: ['hydrogen'] }],
  slots: [{ id: 'gas', label: 'hydrogen in air', kind: 'gas', needs: 'channelGases' }, ...ROOM_SLOTS],
  points: [
    { id: 'zero', label: 'Zero', channels: ['h2'], target: { kind: 'fixed', value: '0', unit: 'channel' }, tolerance: 'zero' },
    {
      id: 'span',
      label: 'Gas',
      channels: ['h2'],
      target: { kind: 'material', slot: 'gas', component: 'channelGas', via: 'certified' },
    },
  ],
  steps: [
    { id: 'warm-up', kind: 'wait', title: 'Warm up', minSeconds: 300, from: 'placed' },
    ROOM_STEP,
    part.bottle('gas'),
    part.storedSpan,
    { id: 'found-zero', kind: 'read', title: 'As found: air', points: ['zero'], phase: 'asFound' },
    { id: 'found-on', kind: 'stimulus', title: 'Gas on', slot: 'gas', means: 'gas at the inlet', on: true },
    {
      id: 'flow',
      kind: 'check',
      title: 'Flow',
      items: [
        { id: 'kink', label: 'Adapter on, no kink in the tube', answer: 'yesNo', bad: part.putRight },
        { id: 'ball', label: 'Ball between the second and third line (0.5 L/min)', answer: 'yesNo', bad: part.putRight },
      ],
    },
    part.readFound('found', ['span'], 'As found: gas', part.BEFORE_ANYTHING),
    { id: 'found-off', kind: 'stimulus', title: 'Gas off', slot: 'gas', means: 'gas at the inlet', on: false },
    ...part.unlessAsFoundOnly([
      part.purge('found-purge'),
      ...zeroing(['zero'], { title: 'Zero first', reason: 'Until it confirms; in clean air.' }),
      {
        id: 'calibration',
        kind: 'group',
        title: 'Calibrate',
        order: 'fixed',
        repeat: { atMost: 2, until: { all: [{ not: { is: 'anyAdjustFailed' } }, { not: { is: 'saveLost' } }] } },
        steps: [
          part.gasOn('on', 'gas'),
          {
            id: 'touch',
            kind: 'adjust',
            title: 'Touch calibrate at once',
            points: ['span'],
            action: 'calibrate',
            together: true,
            reason: 'As soon as gas flows; no kink while it counts.',
          },
          part.gasOff('off', 'gas', 'gas at the inlet', 'Gas off at once'),
          {
            id: 'confirm',
            kind: 'save',
            title: 'Confirm',
            evidence: 'confirm',
            deadlineSeconds: 30,
            reason: 'Without the confirmation within its time the calibration is lost and begins again.',
            when: { not: { is: 'anyAdjustFailed' } },
          },
        ],
      },
      afterTwoTries(['zero'], ['span'], { slot: 'gas' }),
      notSavedTwice,
      part.purge('purge'),
      part.readLeft('left-zero', ['zero'], 'As left: air'),
      part.gasOn('left-on', 'gas'),
      part.readLeft('left', ['span'], 'As left: gas'),
      part.gasOff('left-off', 'gas'),
    ]),
    {
      id: 'put-away',
      kind: 'check',
      title: 'Put away',
      items: [{ id: 'cap', label: 'Regulator off the bottle, dust cap back on', answer: 'yesNo', bad: part.worthARemark }],
    },
  ],
  cautions: [MEDICAL, part.VENTILATED, 'Used mouthpieces: hygiene.'],
};
