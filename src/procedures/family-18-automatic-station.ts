import type { Procedure } from '@/core/procedure/procedure';
import { BUMP_FOLLOWS } from './parts';
import { GIVEN_UP } from './tries';

/** Family 18: automatic station; its log is taken in as it is: no guided order, up to four bottles, bump and calibration in one. */
export const family18: Procedure = {
  id: 'automatic-station',
  version: 4,
  family: 18,
  title: 'Automatic station, imported',
  method: 'Bump and calibration by an automatic station with certified gas; taken from its log.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [
    { role: 'o2', label: 'O₂', measurands: ['oxygen'], optional: true },
    { role: 'ex', label: 'Combustible', measurands: ['methane', 'pentane'], optional: true },
    { role: 'h2s', label: 'H₂S', measurands: ['hydrogen sulphide'], optional: true },
    { role: 'co', label: 'CO', measurands: ['carbon monoxide'], optional: true },
  ],
  slots: ['a', 'b', 'c', 'd'].map((id) => ({
    id: `cylinder-${id}`,
    label: `cylinder ${id.toUpperCase()}`,
    kind: 'gas' as const,
  })),
  points: [
    {
      id: 'span-a',
      label: 'Gas',
      channels: ['o2', 'ex', 'h2s', 'co'],
      target: {
        kind: 'material',
        slot: 'cylinder-a',
        others: ['cylinder-b', 'cylinder-c', 'cylinder-d'],
        component: 'channelGas',
        via: 'lelScale',
      },
    },
  ],
  steps: [
    {
      id: 'log',
      kind: 'group',
      title: 'What the station did',
      order: 'any',
      steps: [
        { id: 'gas', kind: 'reference', title: 'Gas', slots: ['cylinder-a'] },
        {
          id: 'work',
          kind: 'decide',
          title: 'Mode of the station',
          question: 'work',
          options: [
            { id: 'bump', label: 'Bump' },
            { id: 'calibration', label: 'Calibrate' },
            { id: 'bumpFirst', label: 'Calibrate when the bump fails' },
          ],
        },
        {
          id: 'bump',
          kind: 'bump',
          title: 'Bump',
          channels: ['o2', 'ex', 'h2s', 'co'],
          method: 'station',
          outputs: ['sound', 'light', 'vibration'],
          follows: BUMP_FOLLOWS,
          when: {
            any: [
              { is: 'decided', question: 'work', option: 'bump' },
              { is: 'decided', question: 'work', option: 'bumpFirst' },
            ],
          },
        },
        {
          id: 'calibration',
          kind: 'group',
          title: 'Calibration',
          order: 'any',
          when: {
            any: [
              { is: 'decided', question: 'work', option: 'calibration' },
              { all: [{ is: 'bumpFailed' }, { is: 'decided', question: 'work', option: 'bumpFirst' }] },
            ],
          },
          steps: [
            { id: 'before', kind: 'read', title: 'As found', points: ['span-a'], phase: 'asFound' },
            { id: 'adjust', kind: 'adjust', title: 'Calibrate', points: ['span-a'], action: 'calibrate', together: true },
            { id: 'after', kind: 'read', title: 'As left', points: ['span-a'], phase: 'asLeft' },
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
  cautions: ['A station’s bump proves sound, light and vibration only as far as the station can sense them.'],
};
