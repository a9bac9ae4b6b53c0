import type { Condition } from '@/core/procedure/condition';
import type { Procedure, School } from '@/core/procedure/procedure';
import * as part from './water-parts';
import { calibrationRound, cleanCell, cleanGlass, freshLiquid } from './water-round';
import { ecPart, phPart } from './water-sheets';
import { ROOM_SLOTS, ROOM_STEP } from './room';

/** So that no bubble stays in the cell (common practice). */
const PACKET = 'Inserted with the slot up, packet tilted 45°: no bubbles. Tap it; the reading has to stand still.';
const QUICK = part.school('points', 'one');
const FULL: Condition = { not: QUICK };
const ph = phPart(['seven', 'four'], { readBack: false, firstUse: true });
const ec = ecPart(['ec1413', 'ec5000'], { solids: true, cell: false, oneOf: 'ec1413', swing: PACKET });
const EC: School = part.nearSample(
  [
    ['ec1413', '1.413 mS/cm', '0'],
    ['ec5000', '5.00 mS/cm', '3000'],
  ],
  'ec1413',
);

/** Family 2: grow-room pH/EC meter; the quick solution for both at once, or 7 then 4, then EC. Probe condition only from a two-point run, not live. */
export const family02: Procedure = {
  id: 'grow-room-ph-ec',
  version: 6,
  family: 2,
  title: 'Grow-room pH/EC meter, calibration',
  method: 'Comparison with certified buffer solutions and a conductivity standard at the measured temperature.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [
    part.phChannel,
    part.ecChannel,
    { role: 'tds', label: 'Dissolved solids', measurands: ['dissolved solids'], optional: true },
    part.temperatureChannel,
  ],
  slots: [
    ...ROOM_SLOTS,
    part.thermometer,
    { id: 'quick', label: 'quick solution', kind: 'standard', needs: ['phosphate', 'ec-5000'] },
    ...ph.slots,
    ...ec.slots,
  ],
  points: [
    part.temperaturePoint,
    {
      id: 'quick-ph',
      label: 'Quick solution',
      channels: ['ph'],
      target: { kind: 'material', slot: 'quick', component: 'phosphate', via: 'atTemperature' },
      tolerance: { limit: '0.1' },
    },
    {
      id: 'quick-ec',
      label: 'Quick solution',
      channels: ['ec'],
      target: { kind: 'material', slot: 'quick', component: 'ec-5000', via: 'compensated' },
    },
    {
      id: 'quick-solids',
      label: 'Quick solution',
      channels: ['tds'],
      target: { kind: 'material', slot: 'quick', component: 'ec-5000', via: 'dissolvedSolids' },
    },
    ...ph.points,
    ...ec.points,
  ],
  schools: [part.DIPS, part.offering(part.POINTS, 'two', ['one', 'two']), EC, part.RINSING, part.DRYING, part.ELECTRODE],
  steps: [
    ROOM_STEP,
    ...part.temperatureFirst,
    {
      id: 'quick',
      kind: 'group',
      title: 'Quick solution: pH and EC in one',
      order: 'fixed',
      when: QUICK,
      steps: [
        part.lookAt({ firstUse: true }),
        ...part.soak('look'),
        part.chooseLiquids('bottle', 'Scan the quick solution', ['quick']),
        ...twoAtOnce(part.dip('found', 'asFound', { slot: 'quick', title: 'quick solution', point: 'quick-ph' })),
        calibrationRound(
          {
            id: 'quick',
            roles: ['ph', 'ec'],
            remedies: [
              freshLiquid('quick solution', [{ slot: 'quick', title: 'the quick solution' }]),
              cleanGlass,
              cleanCell(['ec']),
            ],
          },
          [
            ...twoAtOnce(part.calibrateIn('set', { slot: 'quick', title: 'quick solution', point: 'quick-ph' })),
            part.readBackSlope('read-back'),
          ],
        ),
        ...twoAtOnce(part.dip('left', 'asLeft', { slot: 'quick', title: 'quick solution', point: 'quick-ph' })),
      ],
    },
    { id: 'ph', kind: 'group', title: 'pH: 7, then 4', order: 'fixed', when: FULL, steps: ph.steps },
    { id: 'ec', kind: 'group', title: 'Conductivity', order: 'fixed', when: FULL, steps: ec.steps },
    {
      id: 'condition',
      kind: 'check',
      title: 'Probe condition as the meter shows it',
      items: [{ id: 'shown', label: 'Condition shown (it comes from the last two-point run, it is not live)', answer: 'text' }],
      when: FULL,
    },
    ...part.store,
  ],
  cautions: [part.WET_CARE],
};

/** One solution, two quantities (and what is computed from the second): all are read and set in it. */
function twoAtOnce(steps: Procedure['steps']): Procedure['steps'] {
  return steps.map((step) =>
    step.kind === 'read'
      ? { ...step, points: [...step.points, 'quick-ec', ...(step.phase === 'adjustment' ? [] : ['quick-solids'])] }
      : step.kind === 'adjust'
        ? { ...step, points: [...step.points, 'quick-ec'] }
        : step,
  );
}
