import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS } from './room';

/** With 1.5 L/min the key is pressed at the sixth of seven seconds of gas (common practice). */
const SAMPLE = { pressAt: 6, of: 7 };

/** Family 14: breath-alcohol tester with dry gas; the expected value falls with the air pressure; never adjusts; outside means out of service. */
export const family14: Procedure = {
  id: 'breath-alcohol-tester',
  version: 3,
  family: 14,
  title: 'Breath-alcohol tester, accuracy check',
  method: 'Accuracy check with certified dry gas; expected value at the measured air pressure, limits ± 0.005 g/210 L.',
  scope: 'accuracyCheck',
  warmUpSeconds: 60,
  channels: [{ role: 'alcohol', label: 'Breath alcohol', measurands: ['ethanol'] }],
  slots: [{ ...part.mixSlot, label: 'dry gas', flows: ['1.5', '6'] }, ...ROOM_SLOTS],
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
      items: [{ id: 'new', label: 'A new one is on', answer: 'yesNo', bad: part.putRight }],
      caution: 'Used mouthpieces: hygiene.',
    },
    {
      id: 'blanking',
      kind: 'group',
      title: 'Air blank',
      order: 'fixed',
      repeat: { atMost: 3, until: { not: { is: 'gateShut', point: 'blank' } } },
      steps: [
        {
          id: 'wait',
          kind: 'wait',
          title: 'Wait, and a new mouthpiece',
          minSeconds: 60,
          when: { is: 'iterationAtLeast', count: 2 },
          reason: 'A dirty blank says nothing of the accuracy: alcohol in the air or in the mouthpiece.',
        },
        part.readFound('blank', ['blank'], 'Air blank', 'A gate: it has to read .000 before gas.'),
      ],
    },
    {
      id: 'blank-shut',
      kind: 'decide',
      title: 'Three blanks that are not .000: decide',
      when: { is: 'gateShut', point: 'blank' },
      question: 'blank',
      reason: 'No gas before the blank is .000.',
      options: [
        { id: 'service', label: 'To service', consequence: 'service' },
        { id: 'out', label: 'Out of service, with a tag', consequence: 'outOfService' },
        { id: 'return', label: 'Returned uncalibrated', consequence: 'return' },
      ],
    },
    {
      id: 'regulator',
      kind: 'check',
      title: 'Regulator',
      items: [{ id: 'purged', label: 'Purged 3 to 4 s, pointed away from people', answer: 'yesNo', bad: part.putRight }],
      reason: 'Dead gas from the valve reads low. Hand-tight, never over-tightened.',
    },
    part.gasOn('first-on', 'mix', 'dry gas at the mouthpiece'),
    {
      ...part.readFound(
        'first',
        ['first'],
        'Sample while gas flows',
        'At the sixth of seven seconds with 1.5 L/min, by itself with 6 L/min. It is checked, never adjusted.',
      ),
      sample: SAMPLE,
    } as Procedure['steps'][number],
    part.gasOff('first-off', 'mix', 'dry gas at the mouthpiece'),
    part.purge('between', 30),
    part.gasOn('second-on', 'mix', 'dry gas at the mouthpiece'),
    {
      ...part.readFound('second', ['second'], 'Sample again', 'The same bottle again is repeatability.'),
      sample: SAMPLE,
    } as Procedure['steps'][number],
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
