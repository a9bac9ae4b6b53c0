import type { GroupStep, Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { unlessAsFoundOnly, VENTILATED } from './parts';
import { CLEAN_AIR, ROOM_SLOTS, ROOM_STEP } from './room';
import { afterTwoTries, zeroing } from './tries';

/** This monitor is spanned channel by channel, so the decision stands inside each channel's own round. */
const afterTwoTriesHere = (afterTwoTries(['zero', 'air'], ['span'], { means: 'gas at the cup' }) as GroupStep).steps;

/** Family 4: four-gas leak monitor with a cup; zeroes itself at switch-on, channels in order with pass or fail each, two tries. */
export const family04: Procedure = {
  id: 'four-gas-leak-monitor',
  version: 5,
  family: 4,
  title: 'Four-gas leak monitor, calibration',
  method: 'Comparison with a certified gas mixture at the sensor cup, channel by channel; zero in clean air.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [
    { role: 'o2', label: 'O₂', measurands: ['oxygen'] },
    { role: 'ex', label: 'Combustible', measurands: ['methane'] },
    { role: 'h2s', label: 'H₂S', measurands: ['hydrogen sulphide'] },
    { role: 'co', label: 'CO', measurands: ['carbon monoxide'] },
  ],
  slots: [{ id: 'mix', label: 'gas mixture', kind: 'gas', needs: 'channelGases' }, ...ROOM_SLOTS],
  points: [
    {
      id: 'zero',
      label: 'Zero',
      channels: ['ex', 'h2s', 'co'],
      target: { kind: 'fixed', value: '0', unit: 'channel' },
      tolerance: 'zero',
    },
    { id: 'air', label: 'Clean air', channels: ['o2'], target: { kind: 'computed', function: 'cleanAirOxygen' } },
    {
      id: 'span',
      label: 'Gas',
      channels: ['o2', 'ex', 'h2s', 'co'],
      target: { kind: 'material', slot: 'mix', component: 'channelGas', via: 'lelScale' },
    },
  ],
  schools: [part.LEFT_GAS, CLEAN_AIR],
  steps: [
    {
      id: 'warm-up',
      kind: 'wait',
      title: 'Warm up',
      minSeconds: 300,
      from: 'placed',
      reason: 'Sensors drift while they warm; nothing counts before five minutes.',
    },
    ROOM_STEP,
    {
      id: 'bottle',
      kind: 'reference',
      title: 'Choose the bottle',
      slots: ['mix'],
      reason: 'The target is the certified value of this bottle, not the usual one.',
      caution: VENTILATED,
    },
    part.storedSpan,
    {
      id: 'auto-zero',
      kind: 'check',
      title: 'Auto-zero at switch-on',
      items: [{ id: 'passed', label: 'Passed for every gas', answer: 'passFault', bad: part.mustBeGood }],
      reason:
        'It says passed or failed for each gas. One that failed in clean air: switched off, and on again; the note says which.',
    },
    {
      id: 'found-zero',
      kind: 'read',
      title: 'As found: clean air',
      points: ['zero', 'air'],
      phase: 'asFound',
      counts: false,
      remark: 'auto-zeroed at power-on',
      reason: 'This monitor zeroed itself at switch-on, so its as-found zero is gone. Recorded, not judged.',
    },
    {
      id: 'found-gas-on',
      kind: 'stimulus',
      title: 'Gas on',
      slot: 'mix',
      means: 'gas at the cup',
      on: true,
      caution: VENTILATED,
    },
    {
      id: 'found-gas',
      kind: 'read',
      title: 'As found: gas',
      points: ['span'],
      phase: 'asFound',
      exposureSeconds: 45,
      reason:
        'Before anything is adjusted: the most valuable reading, and the first one lost. Wait for the plateau (45 s to 2 min).',
    },
    { id: 'found-gas-off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'gas at the cup', on: false },
    part.purge('found-purge'),
    ...unlessAsFoundOnly([
      ...zeroing(['zero', 'air'], { reason: 'In clean air, all at once. Clean means: no running engine, no open bottle.' }),
      {
        id: 'span',
        kind: 'group',
        title: 'Span',
        order: 'fixed',
        forEach: 'channel',
        steps: [
          {
            id: 'try',
            kind: 'group',
            title: 'Try',
            order: 'fixed',
            repeat: { atMost: 2, until: { is: 'adjustPassed' } },
            steps: [
              {
                id: 'again',
                kind: 'group',
                title: 'Second try',
                order: 'fixed',
                when: { is: 'iterationAtLeast', count: 2 },
                steps: [
                  {
                    id: 'off',
                    kind: 'stimulus',
                    title: 'Gas off to clear',
                    slot: 'mix',
                    means: 'gas at the cup',
                    on: false,
                    when: { is: 'stimulusOn', slot: 'mix' },
                  },
                  {
                    id: 'clear',
                    kind: 'wait',
                    title: 'Let it clear',
                    minSeconds: 60,
                    reason: 'A failed channel is cleared and zeroed before its second and last try.',
                  },
                  ...zeroing(['zero', 'air'], {
                    title: 'Zero again',
                    reason: 'A failed channel is zeroed before its second and last try.',
                  }),
                ],
              },
              {
                id: 'gas',
                kind: 'stimulus',
                title: 'Gas on',
                slot: 'mix',
                means: 'gas at the cup',
                on: true,
                when: { not: { is: 'stimulusOn', slot: 'mix' } },
                caution: VENTILATED,
              },
              {
                id: 'adjust',
                kind: 'adjust',
                title: 'Span this channel',
                points: ['span'],
                action: 'span',
                together: false,
                reason: 'Wait for the plateau, set the bottle’s value, press span. The monitor says pass or fail.',
              },
            ],
          },
          ...afterTwoTriesHere,
        ],
      },
      part.leftInOpenGas(['span'], [{ is: 'stimulusOn', slot: 'mix' }]),
      {
        id: 'span-gas-off',
        kind: 'stimulus',
        title: 'Gas off',
        slot: 'mix',
        means: 'gas at the cup',
        on: false,
        when: { is: 'stimulusOn', slot: 'mix' },
      },
      part.purge('purge'),
      { id: 'left-zero', kind: 'read', title: 'As left: clean air', points: ['zero', 'air'], phase: 'asLeft' },
      ...part.leftInOwnGas(['span'], { means: 'gas at the cup' }),
      part.alarmsTried,
      part.purge('left-purge'),
      { ...part.returnToAir, title: 'Clear to zero before it is switched off' } as Procedure['steps'][number],
    ]),
  ],
  cautions: [
    VENTILATED,
    part.LOUD,
    'Cover off, tube off, dust cap on when done.',
    'Bump before use; an instrument that failed or is overdue is tagged out of service.',
  ],
};
