import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';

const ALL = ['o2', 'ex', 'h2s', 'co', 'so2', 'co2', 'h2'];

/** A bump on its own: does gas reach the sensors, do all move the right way, do sound, light and vibration work. No figure of it is a calibration. */
export const bumpTest: Procedure = {
  id: 'bump-test',
  version: 2,
  family: 0,
  title: 'Bump test',
  method: 'Function test with a gas that trips the alarms; direction, size and response of each channel, outputs witnessed.',
  scope: 'bumpOnly',
  warmUpSeconds: 60,
  channels: [
    ...part.fourChannels.map((channel) => ({ ...channel, optional: true })),
    { role: 'so2', label: 'SO₂', measurands: ['sulphur dioxide'], optional: true },
    { role: 'co2', label: 'CO₂', measurands: ['carbon dioxide'], optional: true },
    { role: 'h2', label: 'H₂', measurands: ['hydrogen'], optional: true },
  ],
  slots: [part.mixSlot],
  points: [
    {
      id: 'bump',
      label: 'Gas',
      channels: ALL,
      target: { kind: 'material', slot: 'mix', component: 'channelGas', via: 'lelScale' },
    },
  ],
  steps: [
    part.warmUp(60, 'Until it says ready.'),
    {
      id: 'alarm',
      kind: 'check',
      title: 'Latched alarm',
      items: [{ id: 'clear', label: 'No alarm stands; a latched one is acknowledged', answer: 'yesNo', bad: part.mustBeGood }],
      reason: 'A latched alarm is acknowledged before any mode changes.',
    },
    {
      ...part.bottle(),
      reason: 'Every channel has to trip its alarm: oxygen below its low point, the others above.',
    } as Procedure['steps'][number],
    part.gasOn('on'),
    {
      id: 'watched',
      kind: 'bump',
      title: 'Watch it, hear it, feel it',
      channels: ALL,
      method: 'watched',
      outputs: ['sound', 'light', 'vibration'],
      follows: ['mend', 'calibrate', 'service', 'outOfService'],
      caution: part.LOUD,
      reason: 'Five to ten seconds of gas, no exact value: all move the right way (oxygen down), all outputs work.',
    },
    part.gasOffIfOn('off'),
    part.purge('purge'),
  ],
  cautions: [
    part.VENTILATED,
    part.LOUD,
    'Zero on the display can hide gas still in the sensor: five minutes before the next bump.',
  ],
};
