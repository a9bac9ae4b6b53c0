import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { GIVEN_UP } from './tries';

/** Its other bottles, where it holds several. */
const MORE = ['gas-2', 'gas-3', 'gas-4'];
const ALL = ['o2', 'ex', 'h2s', 'co'];

/** Family 10: docking station by its own schedule; what it did is taken from its log: bump or calibration by what was due. */
export const family10: Procedure = {
  id: 'docking-station',
  version: 3,
  family: 10,
  title: 'Docking station, imported',
  method: 'Bump or calibration by a docking station with certified gas by its own schedule; taken from its log.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: part.fourChannels.map((channel) => ({ ...channel, optional: true })),
  slots: ['gas', ...MORE].map((id, index) => ({
    id,
    label: index === 0 ? 'station’s cylinder' : `station’s cylinder ${index + 1}`,
    kind: 'gas' as const,
  })),
  points: [
    {
      id: 'span',
      label: 'Station’s gas',
      channels: ALL,
      target: { kind: 'material', slot: 'gas', others: MORE, component: 'channelGas', via: 'lelScale' },
    },
  ],
  steps: [
    {
      id: 'log',
      kind: 'group',
      title: 'What the station did',
      order: 'any',
      steps: [
        { id: 'gas', kind: 'reference', title: 'Station’s cylinder', slots: ['gas'] },
        {
          id: 'work',
          kind: 'decide',
          title: 'Bump or calibration',
          question: 'work',
          options: [
            { id: 'bump', label: 'Bump' },
            { id: 'calibration', label: 'Calibration' },
          ],
        },
        {
          id: 'bump',
          kind: 'bump',
          title: 'Bump',
          channels: ALL,
          method: 'station',
          outputs: ['sound', 'light', 'vibration'],
          follows: part.BUMP_FOLLOWS,
          when: { is: 'decided', question: 'work', option: 'bump' },
        },
        {
          id: 'calibration',
          kind: 'group',
          title: 'Calibration',
          order: 'any',
          when: { is: 'decided', question: 'work', option: 'calibration' },
          steps: [
            { id: 'before', kind: 'read', title: 'As found', points: ['span'], phase: 'asFound' },
            { id: 'adjust', kind: 'adjust', title: 'Calibrate', points: ['span'], action: 'calibrate', together: true },
            { id: 'after', kind: 'read', title: 'As left', points: ['span'], phase: 'asLeft' },
            {
              id: 'failed',
              kind: 'decide',
              title: 'The station could not calibrate it: decide',
              when: { is: 'anyAdjustFailed' },
              question: 'lastResort',
              options: GIVEN_UP,
            },
          ],
        },
      ],
    },
  ],
  cautions: ['A station’s bump proves sound, light and vibration only as far as it can sense them.', part.BUMP_BEFORE_USE],
};
