import type { Procedure } from '@/core/procedure/procedure';
import * as part from './water-parts';
import { ecPart, phPart, sheet } from './water-sheets';
import { worthARemark } from './parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const ph = phPart(['seven', 'four', 'ten'], {
  readBack: false,
  firstUse: true,
  first: [
    {
      id: 'soak-first',
      kind: 'wait',
      title: 'Soak in 3 M KCl',
      minSeconds: 900,
      reason:
        'A quarter of an hour before anything is read (a new probe 5 to 15 min); rinse afterwards. Not switched off until all points are done.',
    },
  ],
});
const ec = ecPart(['ec1413', 'ec12880'], { solids: true, cell: false });

/** Family 20: combined pH/EC tester; 7 first, then 4, then 10 without switching off; 1413 then 12 880; auto units. */
export const family20: Procedure = {
  id: 'combined-ph-ec-tester',
  version: 6,
  family: 20,
  title: 'Combined pH/EC tester, calibration',
  method: 'Certified buffers 7, 4, 10 and conductivity standards 1413 µS/cm and 12.88 mS/cm at the measured temperature.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [
    part.phChannel,
    part.ecChannel,
    { role: 'ec-high', label: 'Conductivity, mS/cm', measurands: ['conductivity'], optional: true },
    { role: 'tds', label: 'Dissolved solids', measurands: ['dissolved solids'], optional: true },
    part.temperatureChannel,
  ],
  slots: [part.thermometer, ...ph.slots, ...ec.slots, ...ROOM_SLOTS],
  points: [part.temperaturePoint, ...ph.points, ...ec.points],
  schools: [part.DIPS, part.offering(part.POINTS, 'three'), part.HIGH_STANDARD, part.RINSING, part.DRYING, part.ELECTRODE],
  steps: [
    ROOM_STEP,
    ...part.temperatureFirst,
    {
      id: 'sheets',
      kind: 'group',
      title: 'Two sheets, without switching off between the points',
      order: 'any',
      steps: [
        sheet('ph', 'pH', ph, { is: 'channel', role: 'ph' }),
        sheet('ec', 'Conductivity', ec, { is: 'channel', role: 'ec' }),
      ],
    },
    {
      id: 'wet',
      kind: 'check',
      title: 'Store it',
      items: [
        {
          id: 'droplets',
          label: 'A few droplets of storage solution in the cap; never over 24 h in it, never pure water',
          answer: 'yesNo',
          bad: worthARemark,
        },
      ],
      reason: 'Storage solution keeps the glass and harms the conductivity cell: droplets serve both.',
    },
  ],
  cautions: [part.WET_CARE],
};
