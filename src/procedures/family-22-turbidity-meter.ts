import type { Point, Procedure, Step } from '@/core/procedure/procedure';
import { mustBeGood } from './parts';
import { calibrateIn, chooseLiquids, dip, standard } from './water-parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const STANDARDS = [
  { id: 'low', title: 'formazin, low', substance: 'formazin-20' },
  { id: 'high', title: 'formazin, high', substance: 'formazin-100' },
] as const;
const cuvette = 'cuvette in the meter';
const SWIRL =
  'Swirl slowly, never shake: air bubbles read as turbidity. Wait until they are gone; the mark on the glass to the front.';

const point = ({ id, title, substance }: (typeof STANDARDS)[number]): Point => ({
  id,
  label: title,
  channels: ['turbidity'],
  target: { kind: 'material', slot: id, component: substance, via: 'certified' },
});
const look: Step = {
  id: 'look',
  kind: 'check',
  title: 'Look at the meter',
  items: [
    { id: 'cuvettes', label: 'Cuvettes without scratches, clean and dry outside', answer: 'passFault', bad: mustBeGood },
    { id: 'shaft', label: 'Shaft dry, no dust on the window', answer: 'passFault', bad: mustBeGood },
  ],
  reason: 'A scratch scatters as much light as some NTU.',
};

/** Family 22: portable turbidity meter; two points in formazin, in the same cuvette, each swirled and left until the bubbles are gone. */
export const family22: Procedure = {
  id: 'turbidity-meter',
  version: 2,
  family: 22,
  title: 'Turbidity meter, calibration',
  method: 'Nephelometric, in formazin suspensions of the stated value; the same cuvette for every point (ISO 7027-1:2016).',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [{ role: 'turbidity', label: 'Turbidity', measurands: ['turbidity'] }],
  slots: [...STANDARDS.map(({ id, title, substance }) => standard(id, title, substance)), ...ROOM_SLOTS],
  points: STANDARDS.map(point),
  schools: [],
  steps: [
    ROOM_STEP,
    look,
    ...STANDARDS.map(({ id, title }) => chooseLiquids(`${id}-bottle`, `Scan ${title}`, [id])),
    ...STANDARDS.flatMap(({ id, title }) =>
      dip(`found-${id}`, 'asFound', { slot: id, title, point: id, means: cuvette, reason: SWIRL }),
    ),
    ...STANDARDS.flatMap(({ id, title }) =>
      calibrateIn(`set-${id}`, {
        slot: id,
        title,
        point: id,
        means: cuvette,
        reason: SWIRL,
        key: 'Confirm the value of the standard.',
      }),
    ),
    ...STANDARDS.flatMap(({ id, title }) =>
      dip(`left-${id}`, 'asLeft', { slot: id, title, point: id, means: cuvette, reason: SWIRL }),
    ),
  ],
  cautions: ['Formazin is made from hydrazine: gloves, and the data sheet at hand; collect what was used.'],
};
