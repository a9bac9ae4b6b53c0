import type { Procedure } from '@/core/procedure/procedure';
import * as part from './water-parts';
import { ecPart } from './water-sheets';
import { oxygenPart } from './oxygen-sheet';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const oxygen = oxygenPart(600);
const ec = ecPart(['ec1413']);

/** Family 12: water-quality sonde, oxygen; moist, vented sleeve, ten minutes, plausibility from the local pressure, then accepted. */
export const family12: Procedure = {
  id: 'oxygen-sonde',
  version: 6,
  family: 12,
  title: 'Dissolved-oxygen sonde, calibration',
  method:
    'Water-saturated air at the local pressure (Benson and Krause 1984); per cent of local saturation and at 1 atm told apart.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [
    { role: 'do', label: 'Oxygen', measurands: ['dissolved oxygen'] },
    { role: 'sat', label: 'Saturation', measurands: ['oxygen saturation'], optional: true },
    { ...part.ecChannel, optional: true },
    part.temperatureChannel,
  ],
  slots: [part.thermometer, ...oxygen.slots, ...ec.slots, ...ROOM_SLOTS],
  points: [part.temperaturePoint, ...oxygen.points, ...ec.points],
  schools: [part.DIPS, part.offering(part.RINSING, 'tap')],
  steps: [
    ROOM_STEP,
    ...part.temperatureFirst,
    ...oxygen.steps,
    // The conductivity probe of that set, where it has one: salinity is worked out from it.
    { id: 'ec', kind: 'group', title: 'Conductivity', order: 'fixed', when: { is: 'channel', role: 'ec' }, steps: ec.steps },
    ...part.store,
  ],
  cautions: [part.WET_CARE],
};
