import { ROOM } from '@/core/record/room';
import { ROOM_QUANTITIES } from '@/core/procedure/room-quantity';
import type { CheckItem, School, Slot, Step } from '@/core/procedure/procedure';

const WHAT = { temperatureC: 'room thermometer', pressureHPa: 'barometer', humidityPercent: 'hygrometer' } as const;

/** Places of the equipment that reads the room: each bound to a piece with a certificate when its figure is recorded. */
export const ROOM_SLOTS: Slot[] = ROOM_QUANTITIES.map((quantity) => ({
  id: ROOM[quantity].slot,
  label: WHAT[quantity],
  kind: 'tool',
  needs: [ROOM[quantity].substance],
}));

/** Temperature, pressure and humidity of the room, each by its equipment: they stand on the document, and in the budgets. */
export const ROOM_STEP: Step = {
  id: 'place',
  kind: 'condition',
  title: 'Conditions at the bench',
  quantities: [...ROOM_QUANTITIES],
  reason: 'The certificate states them, and which equipment read them; oxygen, breath gas and liquids depend on them.',
};

/** Where the work is done, if not at the bench. */
export const PLACE_OF_WORK: CheckItem = {
  id: 'place-of-work',
  label: 'Where it is calibrated',
  answer: 'text',
  about: 'placeOfWork',
};

/** What 20.9 in moist air means. */
export const CLEAN_AIR: School = {
  id: 'clean-air',
  label: 'Oxygen in clean air',
  options: [
    {
      id: 'convention',
      label: 'the maker’s 20.9 or 20.8',
      reason: 'The instrument is set to its maker’s figure; what moist air really holds is in the budget.',
    },
    {
      id: 'corrected',
      label: 'what moist air holds',
      reason: 'The reference is worked out from temperature, humidity and pressure; set value and reference then differ.',
    },
  ],
  standard: 'convention',
};
