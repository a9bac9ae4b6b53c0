import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS } from './room';

/** Family 14: breath-alcohol tester with dry gas; the expected value falls with the air pressure; never adjusts; outside means out of service. */
export const family14: Procedure = {
  id: 'breath-alcohol-tester',
  version: 2,
  family: 14,
  title: 'Breath-alcohol tester, accuracy check',
  method: 'Accuracy check with certified dry gas; expected value at the measured air pressure, limits ± 0.005 g/210 L.',
  scope: 'accuracyCheck',
  warmUpSeconds: 60,
  channels: [{ role: 'alcohol', label: 'Breath alcohol', measurands: ['ethanol'] }],
  slots: [{ ...part.mixSlot, label: 'dry gas' }, ...ROOM_SLOTS],
  points: [
    {
      id: 'blank',
      label: 'Air blank',
      channels: ['alcohol'],
      target: { kind: 'fixed', value: '0', unit: 'channel' },
      judge: 'gate',
    },
    ...['first', 'second'].map((id) => ({
      id,
      label: id === 'first' ? 'Dry gas' : 'Dry gas, again',
      channels: ['alcohol'],
      target: { kind: 'material' as const, slot: 'mix', component: 'channelGas', via: 'atPressure' as const },
      tolerance: { limit: '0.005' },
    })),
  ],
  steps: [
    part.warmUp(60, 'Until it says ready.'),
    {
      id: 'place',
      kind: 'condition',
      title: 'Air pressure',
      quantities: ['temperatureC', 'pressureHPa', 'humidityPercent'],
      reason: '0.038 at sea level is 0.037 at 270 m: the expected value falls with the pressure at this bench.',
    },
    part.bottle(),
    {
      id: 'mouthpiece',
      kind: 'check',
      title: 'New mouthpiece',
      items: [{ id: 'new', label: 'A new one is on', answer: 'yesNo' }],
      caution: 'Used mouthpieces: hygiene.',
    },
    part.readFound('blank', ['blank'], 'Air blank', 'It has to read .000 before gas.'),
    part.gasOn('first-on', 'mix', 'dry gas at the mouthpiece'),
    part.readFound(
      'first',
      ['first'],
      'Sample while gas flows',
      'At the sixth of seven seconds with 1.5 L/min, by itself with 6 L/min. It is checked, never adjusted.',
    ),
    part.gasOff('first-off', 'mix', 'dry gas at the mouthpiece'),
    part.purge('between', 30),
    part.gasOn('second-on', 'mix', 'dry gas at the mouthpiece'),
    part.readFound('second', ['second'], 'Sample again', 'The same bottle again is repeatability.'),
    part.gasOff('second-off', 'mix', 'dry gas at the mouthpiece'),
    {
      id: 'outside',
      kind: 'group',
      title: 'Outside',
      order: 'fixed',
      forEach: 'channel',
      steps: [
        {
          id: 'decide',
          kind: 'decide',
          title: 'Outside ± 0.005: out of service',
          when: { is: 'readingOutside', phase: 'asFound' },
          question: 'outside',
          reason: 'An adjustment is a job of its own, and only where it is permitted.',
          options: [
            { id: 'out', label: 'Out of service, with a tag', consequence: 'outOfService' },
            { id: 'service', label: 'To service: adjustment as its own job', consequence: 'service' },
          ],
        },
      ],
    },
  ],
  cautions: [part.MEDICAL, 'Used mouthpieces: hygiene.', 'Dry gas under pressure: secured, outlet away from people.'],
};
