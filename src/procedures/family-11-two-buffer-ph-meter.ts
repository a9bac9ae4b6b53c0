import type { Condition } from '@/core/procedure/condition';
import type { Procedure, Step } from '@/core/procedure/procedure';
import * as part from './water-parts';
import { phPart } from './water-sheets';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const TWO: Condition = { not: part.school('points', 'one') };
const ALKALINE = part.school('bracket', 'alkaline');
const ph = phPart(['seven', 'four', 'ten'], {
  anyOrder: true,
  dipped: (name) => (name === 'seven' ? undefined : { all: [TWO, name === 'ten' ? ALKALINE : { not: ALKALINE }] }),
});
const strip: Step[] = [
  {
    id: 'strips',
    kind: 'check',
    title: 'Cross-check with an indicator strip?',
    items: [{ id: 'wanted', label: 'A strip is at hand', answer: 'yesNo', bad: 'none' }],
    reason: 'Independent of the electrode: it would show a meter that is wrong altogether.',
  },
  {
    id: 'strip',
    kind: 'read',
    title: 'Cross-check: the meter beside a strip',
    points: ['strip'],
    phase: 'check',
    counts: false,
    remark: 'indicator strip, cross-check only',
    reason: 'A colour between two fields is an interval: type both fields. The meter has to lie inside.',
    when: { is: 'answered', step: 'strips', item: 'wanted', equals: 'yes' },
  },
];

/** Family 11: two-buffer pH meter; slope in per cent, ± 0.1 check, strips as cross-check. */
export const family11: Procedure = {
  id: 'two-buffer-ph-meter',
  version: 7,
  family: 11,
  title: 'Two-buffer pH meter, calibration',
  method: 'Comparison with two certified buffer solutions at the measured temperature.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [part.phChannel, part.temperatureChannel],
  slots: [part.thermometer, ...ph.slots, ...ROOM_SLOTS],
  points: [
    part.temperaturePoint,
    ...ph.points,
    { id: 'strip', label: 'Indicator strip', channels: ['ph'], target: { kind: 'strip' } },
  ],
  schools: [
    part.DIPS,
    part.offering(part.POINTS, 'two', ['one', 'two']),
    part.BRACKET,
    part.BUFFER_ORDER,
    part.RINSING,
    part.DRYING,
    part.ELECTRODE,
  ],
  steps: [ROOM_STEP, ...part.temperatureFirst, ...ph.steps, ...strip, ...part.store],
  cautions: [part.WET_CARE],
};
