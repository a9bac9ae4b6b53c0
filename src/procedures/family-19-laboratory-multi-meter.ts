import type { Point, Procedure, Step } from '@/core/procedure/procedure';
import * as part from './water-parts';
import { calibrationRound, conditionMembrane, freshLiquid } from './water-round';
import { ecPart, phPart, sheet } from './water-sheets';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const ph = phPart(['seven', 'four', 'ten'], { anyOrder: true });
const ec = ecPart(['ec84', 'ec1413', 'ec12880'], { weak: true });
const ION: [slot: string, label: string, substance: string][] = [
  ['ion-low', 'ion standard 1 mg/L', 'fluoride-1'],
  ['ion-high', 'ion standard 10 mg/L', 'fluoride-10'],
];
const redox = part.standard('redox', 'redox standard', 'redox-220');
const redoxPoint: Point = {
  id: 'redox',
  label: 'Redox standard',
  channels: ['orp'],
  target: { kind: 'material', slot: 'redox', component: 'redox-220', via: 'atTemperature' },
};
const ionPoints = ION.map(([slot, label, component]): Point => ({
  id: slot,
  label: label[0]!.toUpperCase() + label.slice(1),
  channels: ['ion'],
  target: { kind: 'material', slot, component, via: 'certified' },
}));
const redoxSteps: Step[] = [
  part.chooseLiquids('redox-bottle', 'Scan the redox standard', ['redox']),
  ...part.dip('redox', 'asFound', {
    slot: 'redox',
    title: 'redox standard',
    point: 'redox',
    reason: 'Against the bottle’s value at this temperature and for this reference electrode. ORP is checked, not adjusted.',
  }),
];
const ionSteps: Step[] = [
  ...ION.map(([slot, label]) => part.chooseLiquids(`${slot}-bottle`, `Scan ${label}`, [slot])),
  ...ION.flatMap(([slot, label]) => part.dip(`found-${slot}`, 'asFound', { slot, title: label, point: slot })),
  calibrationRound(
    {
      id: 'ion',
      roles: ['ion'],
      remedies: [
        freshLiquid(
          'standards',
          ION.map(([slot, label]) => ({ slot, title: label })),
        ),
        conditionMembrane,
      ],
    },
    ION.flatMap(([slot, label]) =>
      part.calibrateIn(`set-${slot}`, {
        slot,
        title: label,
        point: slot,
        reason: 'Weak one first; the slope a decade comes from the two voltages.',
      }),
    ),
  ),
  ...ION.flatMap(([slot, label]) => part.dip(`left-${slot}`, 'asLeft', { slot, title: label, point: slot })),
];

/** Family 19: laboratory multi-meter: pH 7 / 4.01 / 10.01, conductivity 84 / 1413 / 12 880, ORP and ion-selective inputs. */
export const family19: Procedure = {
  id: 'laboratory-multi-meter',
  version: 7,
  family: 19,
  title: 'Laboratory multi-meter, calibration',
  method:
    'Certified buffers and conductivity standards at the measured temperature; ORP against a redox standard, ion-selective input in two standards a decade apart.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [
    part.phChannel,
    { ...part.ecChannel, optional: true },
    { role: 'ec-high', label: 'Conductivity, mS/cm', measurands: ['conductivity'], optional: true },
    { role: 'orp', label: 'ORP', measurands: ['redox potential'], optional: true },
    { role: 'ion', label: 'Ion', measurands: ['ion concentration'], optional: true },
    part.temperatureChannel,
  ],
  slots: [
    ...ROOM_SLOTS,
    part.thermometer,
    ...ph.slots,
    ...ec.slots,
    redox,
    ...ION.map(([slot, label, substance]) => part.standard(slot, label, substance)),
  ],
  points: [part.temperaturePoint, ...ph.points, ...ec.points, redoxPoint, ...ionPoints],
  schools: [
    part.DIPS,
    part.offering(part.POINTS, 'three'),
    part.BUFFER_ORDER,
    part.WEAK_STANDARD,
    part.HIGH_STANDARD,
    part.RINSING,
    part.DRYING,
    part.ELECTRODE,
  ],
  steps: [
    ROOM_STEP,
    ...part.temperatureFirst,
    part.manualTemperature,
    {
      id: 'sheets',
      kind: 'group',
      title: 'Sheets, in any order',
      order: 'any',
      steps: [
        sheet('ph', 'pH', ph, { is: 'channel', role: 'ph' }),
        sheet('ec', 'Conductivity', ec, { is: 'channel', role: 'ec' }),
        sheet('orp', 'ORP', { slots: [], points: [], steps: redoxSteps }, { is: 'channel', role: 'orp' }),
        sheet('ion', 'Ion-selective', { slots: [], points: [], steps: ionSteps }, { is: 'channel', role: 'ion' }),
      ],
    },
    {
      id: 'reminder',
      kind: 'check',
      title: 'Its own reminder',
      items: [
        {
          id: 'days',
          label: 'Days that its own calibration reminder is set to (0: off)',
          answer: 'number',
          unit: 'd',
          about: 'ownCounter',
        },
      ],
      reason: 'Two due dates that differ are worse than one.',
    },
    ...part.store,
  ],
  cautions: [part.WET_CARE],
};
