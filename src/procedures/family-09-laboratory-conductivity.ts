import type { Procedure, School } from '@/core/procedure/procedure';
import * as part from './water-parts';
import { ecPart } from './water-sheets';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const ec = ecPart(['ec84', 'ec731', 'ec12880'], { verify: 'ec1417', solids: true, oneOf: 'ec731' });
const EC: School = part.nearSample(
  [
    ['ec84', '84 µS/cm', '0'],
    ['ec731', '731 µS/cm, mixed salt', '200'],
    // The mixed-salt curve ends below it: dissolved solids are left out.
    ['ec12880', '12.88 mS/cm', '5000', ['tds']],
  ],
  'ec731',
);

/** Family 9: laboratory conductivity; temperature first, with three outcomes; 731 µS/cm, verified at 1417. */
export const family09: Procedure = {
  id: 'laboratory-conductivity',
  version: 5,
  family: 9,
  title: 'Laboratory conductivity meter, calibration',
  method:
    'Temperature by comparison; cell constant in a mixed-salt standard that resembles natural water, verified in a second standard.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [
    part.ecChannel,
    { role: 'tds', label: 'Dissolved solids', measurands: ['dissolved solids'], optional: true },
    { ...part.temperatureChannel, optional: true },
  ],
  slots: [part.thermometer, ...ec.slots, ...ROOM_SLOTS],
  points: [part.temperaturePoint, ...ec.points],
  schools: [part.DIPS, EC, part.offering(part.VERIFYING, 'second'), part.RINSING],
  steps: [ROOM_STEP, ...part.temperatureFirst, part.manualTemperature, ...ec.steps, ...part.store],
  cautions: [part.WET_CARE],
};
