import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';
import { notSavedTwice, zeroing } from './tries';

const TUBE = 'zero tube at the inlet';

/** Family 16: area monitor with ppb VOC; fresh-air zero through a zero tube only, no span; off again it has to climb to the real background. */
export const family16: Procedure = {
  id: 'area-monitor-voc',
  version: 4,
  family: 16,
  title: 'Area monitor with ppb VOC, zero only',
  method: 'Zero through a charcoal tube; no span is made and none is claimed.',
  scope: 'zeroOnly',
  warmUpSeconds: 300,
  channels: [{ role: 'voc', label: 'VOC', measurands: ['volatile organics'] }],
  slots: [{ id: 'tube', label: 'zero tube', kind: 'tool', needs: ['charcoal'] }, ...ROOM_SLOTS],
  points: [
    ...part.zeroPoints(['voc']),
    { id: 'background', label: 'Background', channels: ['voc'], target: { kind: 'observe', direction: 'rise' } },
  ],
  steps: [
    part.warmUp(300),
    ROOM_STEP,
    {
      id: 'tube',
      kind: 'reference',
      title: 'Choose the zero tube',
      slots: ['tube'],
      reason: 'Zeroing the background away without the tube is a lie to the instrument.',
    },
    {
      id: 'sensors',
      kind: 'check',
      title: 'The tube, and the other sensors',
      items: [
        { id: 'hours', label: 'Hours that the zero tube was in use', answer: 'number', unit: 'h' },
        { id: 'flags', label: 'Flags that its sensors show, each with its sensor (none: “none”)', answer: 'text' },
      ],
      reason: 'A spent tube lets through what it should hold back; a flag says which sensor is ill before it is zeroed.',
    },
    { ...part.gasOn('tube-on', 'tube', TUBE, 'Zero tube on'), caution: 'Never in line during normal use.' },
    { id: 'tube-wait', kind: 'wait', title: 'About a minute through the tube', minSeconds: 60 },
    part.readFound('found-zero', ['zero'], 'As found: zero through the tube', 'Before it is zeroed.'),
    ...part.unlessAsFoundOnly([
      {
        id: 'zero-and-save',
        kind: 'group',
        title: 'Zero',
        order: 'fixed',
        repeat: { atMost: 2, until: { not: { is: 'saveLost' } } },
        steps: [
          ...zeroing(['zero'], {
            title: 'Zero through the tube',
            reason: 'Fresh-air zero with the tube on: all its sensors zero in the same act.',
          }),
          { id: 'save', kind: 'save', title: 'It saves by itself', evidence: 'automatic' },
        ],
      },
      notSavedTwice,
      {
        id: 'others',
        kind: 'check',
        title: 'Its other sensors',
        items: [{ id: 'zeroed', label: 'Zeroed in the same act, each passed', answer: 'passFault', bad: part.mustBeGood }],
        reason: 'One zero is for all of them: a sensor that failed it is named in the note.',
      },
      part.readLeft('left-zero', ['zero'], 'As left: zero through the tube'),
    ]),
    part.gasOff('tube-off', 'tube', TUBE, 'Zero tube off'),
    {
      id: 'background',
      kind: 'read',
      title: 'It climbs to the real background',
      points: ['background'],
      phase: 'check',
      reason: 'A reading that stays at zero without the tube has been zeroed blind.',
    },
  ],
  cautions: ['Zero only: it says nothing about how it answers to a gas.', part.BUMP_BEFORE_USE],
};
