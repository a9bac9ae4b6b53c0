import type { Procedure, School } from '@/core/procedure/procedure';
import * as part from './water-parts';
import { ecPart, phPart, sheet } from './water-sheets';
import { oxygenPart } from './oxygen-sheet';
import { PLACE_OF_WORK, ROOM_SLOTS, ROOM_STEP } from './room';

const ph = phPart(['seven', 'four', 'ten'], { readBack: true });
const ec = ecPart(['ec84', 'ec1413', 'ec12880'], { oneOf: 'ec1413' });
const EC: School = part.nearSample(
  [
    ['ec84', '84 µS/cm', '0'],
    ['ec1413', '1413 µS/cm', '300'],
    ['ec12880', '12.88 mS/cm', '5000'],
  ],
  'ec1413',
);
const AIR: School = {
  id: 'oxygen-air',
  label: 'Oxygen in air',
  options: [
    { id: 'sleeve', label: 'in its moist, vented sleeve', reason: 'At the bench: the air in it is saturated.' },
    {
      id: 'open',
      label: 'held in the open air',
      reason: 'At the place of use, where its maker says so: dry membrane, no sleeve.',
    },
  ],
  standard: 'sleeve',
};
const oxygen = oxygenPart(600);

/** Family 5: field set for oxygen, pH and conductivity: one ticket, three sheets that share temperature and conditions, one certificate. */
export const family05: Procedure = {
  id: 'field-oxygen-ph-ec',
  version: 6,
  family: 5,
  title: 'Field oxygen/pH/EC set, calibration',
  method:
    'pH in three certified buffers, conductivity in a certified standard, oxygen in water-saturated air at the pressure of the place of use (Benson and Krause 1984).',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [
    { ...part.phChannel, optional: true },
    { ...part.ecChannel, optional: true },
    { role: 'do', label: 'Oxygen', measurands: ['dissolved oxygen'], optional: true },
    { role: 'sat', label: 'Saturation', measurands: ['oxygen saturation'], optional: true },
    part.temperatureChannel,
  ],
  slots: [part.thermometer, ...ph.slots, ...ec.slots, ...oxygen.slots, ...ROOM_SLOTS],
  points: [part.temperaturePoint, ...ph.points, ...ec.points, ...oxygen.points],
  schools: [
    part.DIPS,
    part.offering(part.POINTS, 'three'),
    EC,
    AIR,
    part.offering(part.RINSING, 'tap'),
    part.DRYING,
    part.ELECTRODE,
  ],
  steps: [
    ROOM_STEP,
    {
      id: 'where',
      kind: 'check',
      title: 'Where is it calibrated?',
      items: [PLACE_OF_WORK],
      reason: 'Oxygen follows the pressure of the place: the document names it.',
    },
    ...part.temperatureFirst,
    {
      id: 'sheets',
      kind: 'group',
      title: 'Three sheets, in any order',
      order: 'any',
      steps: [
        sheet('oxygen', 'Oxygen', oxygen, { is: 'channel', role: 'do' }),
        sheet('ph', 'pH', ph, { is: 'channel', role: 'ph' }),
        sheet('ec', 'Conductivity', ec, { is: 'channel', role: 'ec' }),
      ],
    },
    {
      id: 'use',
      kind: 'check',
      title: 'For the place of use',
      items: [
        {
          id: 'within',
          label: 'Told: 100 % in air again at the place of use, within 10 °C of the water',
          answer: 'yesNo',
          bad: { when: 'negative', follows: ['mend', 'remark'] },
        },
      ],
    },
    ...part.store,
  ],
  cautions: [part.WET_CARE],
};
