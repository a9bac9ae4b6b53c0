import { BUFFER_SETS } from '@/core/ph/buffer-sets';
import type { Condition } from '@/core/procedure/condition';
import type { Procedure, Step } from '@/core/procedure/procedure';
import { clockItem } from './parts';
import * as part from './water-parts';
import { cleanGlass } from './water-round';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const decided = (option: string): Condition => ({ is: 'decided', question: 'apply', option });
const LAST: Condition = { is: 'iterationAtLeast', count: 3 };
const points: Step = {
  id: 'points',
  kind: 'group',
  title: 'Points of the calibration, in any order',
  order: 'fixed',
  repeat: { atMost: 5, until: { is: 'answered', step: 'more', item: 'another', equals: 'no' } },
  steps: [
    part.chooseLiquids('buffer', 'Scan the buffer', ['buffer']),
    {
      id: 'in',
      kind: 'stimulus',
      title: 'Dip into the buffer',
      slot: 'buffer',
      means: 'probe in the liquid',
      on: true,
      reason: 'Deep enough that the junction is covered, about 25 mm, and off the bottom.',
    },
    {
      id: 'take',
      kind: 'read',
      title: 'Wait for a still reading',
      points: ['recognised'],
      phase: 'adjustment',
      stability: { windowSeconds: 20, maxSpread: '0.02' },
      reason:
        'Drift check: reading and temperature both have to stand still. The probe names the buffer; it has to be the one scanned.',
    },
    { id: 'out', kind: 'stimulus', title: 'Lift out and rinse', slot: 'buffer', means: 'probe in the liquid', on: false },
    {
      id: 'more',
      kind: 'check',
      title: 'Another buffer?',
      items: [{ id: 'another', label: 'Another buffer', answer: 'yesNo', about: 'another', bad: 'none' }],
    },
  ],
};
const readBack = part.readBackSlope('read-back', 2, [
  { id: 'offset', label: 'Zero point, mV', answer: 'number', unit: 'mV', reads: { figure: 'offset', role: 'ph' } },
  { id: 'response', label: 'Response time, s', answer: 'number', unit: 's', reads: { figure: 'response', role: 'ph' } },
]);
/** Applied or discarded; before the last round also begun again, cleaned or not. */
const decide = (last: boolean): Step => ({
  id: last ? 'last-result' : 'result',
  kind: 'decide',
  title: 'Apply or discard',
  question: 'apply',
  options: [
    { id: 'apply', label: 'Apply to the probe' },
    { id: 'discard', label: 'Discard, the old one stands', consequence: 'discard' },
    ...(last
      ? []
      : [
          { id: 'again', label: 'Once more in fresh buffer', again: ['ph'] },
          { id: 'clean', label: cleanGlass.label, again: ['ph'] },
        ]),
  ],
  reason: 'Slope, zero point and response time decide it.',
  when: last ? LAST : { not: LAST },
});

/** Family 3: portable meter with digital pH probes; the buffer is recognised from mV, the data belongs to the probe, which may be calibrated off-line. */
export const family03: Procedure = {
  id: 'digital-ph-probe',
  version: 8,
  family: 3,
  title: 'Digital pH probe, calibration',
  method:
    'Comparison with certified buffer solutions at the measured temperature; buffer recognised from the electrode’s millivolts; the calibration is stored in the probe.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [part.phChannel, part.temperatureChannel],
  slots: [
    ...ROOM_SLOTS,
    part.thermometer,
    { id: 'buffer', label: 'buffer', kind: 'buffer' },
    part.buffer('first', 'buffer 7.00', 'technical-7.00'),
    part.buffer('second', 'buffer 4.01', 'technical-4.01'),
  ],
  points: [
    part.temperaturePoint,
    part.inBuffer('seven', 'Buffer 7.00', 'first', 'technical-7.00'),
    part.inBuffer('four', 'Buffer 4.01', 'second', 'technical-4.01'),
    {
      id: 'recognised',
      label: 'Recognised buffer',
      channels: ['ph'],
      target: { kind: 'recognised', set: [...BUFFER_SETS.technical], setBy: part.BUFFER_SET.id, slot: 'buffer' },
      tolerance: { limit: '0.5' },
    },
  ],
  schools: [part.BUFFER_SET, part.RINSING, part.DRYING, part.ELECTRODE],
  steps: [
    ROOM_STEP,
    {
      id: 'clock',
      kind: 'check',
      title: 'Date and time of the meter',
      items: [clockItem('deviation')],
      reason: 'They are written into the probe with its calibration.',
    },
    part.lookAtGlass,
    ...part.soak('look'),
    ...part.temperatureFirst,
    part.chooseLiquids('bottles', 'Scan the two check buffers', ['first', 'second']),
    ...part.dip('found-seven', 'asFound', { slot: 'first', title: 'Buffer 7.00', point: 'seven' }),
    ...part.dip('found-four', 'asFound', { slot: 'second', title: 'Buffer 4.01', point: 'four' }),
    {
      id: 'round',
      kind: 'group',
      title: 'Calibration, until its data is applied or discarded',
      order: 'fixed',
      repeat: { atMost: 3, until: { any: [decided('apply'), decided('discard')] } },
      when: part.GONE_ON,
      steps: [
        ...cleanGlass.steps.map((step): Step => ({
          ...step,
          when: { all: [{ is: 'iterationAtLeast', count: 2 }, decided('clean')] },
        })),
        points,
        readBack,
        decide(false),
        decide(true),
      ],
    },
    {
      id: 'apply',
      kind: 'adjust',
      title: 'Apply to the probe',
      points: ['recognised'],
      action: 'calibrate',
      together: true,
      when: decided('apply'),
      reason: 'The data is stored in the probe and goes with it to any meter.',
    },
    ...part.dip('left-seven', 'asLeft', {
      slot: 'first',
      title: 'Buffer 7.00',
      point: 'seven',
      reason: 'The same buffer again is repeatability: within ± 0.1 pH it was taken.',
    }),
    ...part.dip('left-four', 'asLeft', { slot: 'second', title: 'Buffer 4.01', point: 'four' }),
    ...part.store,
  ],
  cautions: [part.WET_CARE],
};
