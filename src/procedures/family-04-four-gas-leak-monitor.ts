import type { Procedure } from '@/core/procedure/procedure';

const VENTILATED = 'Toxic gas: ventilated place, cylinder secured, outlet away from people.';

/** Family 4: four-gas leak monitor with a cup; zeroes itself at switch-on, channels in order with pass or fail each, two tries. */
export const family04: Procedure = {
  id: 'four-gas-leak-monitor',
  version: 1,
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
  slots: [{ id: 'mix', label: 'gas mixture', kind: 'gas', needs: 'channelGases' }],
  points: [
    { id: 'zero', label: 'Zero', channels: ['ex', 'h2s', 'co'], target: { kind: 'fixed', value: '0', unit: 'channel' }, tolerance: 'zero' },
    { id: 'air', label: 'Clean air', channels: ['o2'], target: { kind: 'computed', function: 'cleanAirOxygen' } },
    { id: 'span', label: 'Gas', channels: ['o2', 'ex', 'h2s', 'co'], target: { kind: 'material', slot: 'mix', component: 'channelGas', via: 'lelScale' } },
  ],
  steps: [
    { id: 'warm-up', kind: 'wait', title: 'Warm up', minSeconds: 300, from: 'placed', reason: 'Sensors drift while they warm; nothing counts before five minutes.' },
    { id: 'place', kind: 'condition', title: 'Conditions at the bench', quantities: ['temperatureC', 'pressureHPa', 'humidityPercent'], reason: 'The certificate states them; the reading depends on them.' },
    { id: 'bottle', kind: 'reference', title: 'Choose the bottle', slots: ['mix'], reason: 'The target is the certified value of this bottle, not the usual one.', caution: VENTILATED },
    { id: 'found-zero', kind: 'read', title: 'As found: clean air', points: ['zero', 'air'], phase: 'asFound', counts: false, remark: 'auto-zeroed at power-on', reason: 'This monitor zeroed itself at switch-on, so its as-found zero is gone. Recorded, not judged.' },
    { id: 'found-gas-on', kind: 'stimulus', title: 'Gas on', slot: 'mix', means: 'gas at the cup', on: true, caution: VENTILATED },
    { id: 'found-gas', kind: 'read', title: 'As found: gas', points: ['span'], phase: 'asFound', reason: 'Before anything is adjusted: the most valuable reading, and the first one lost. Wait for the plateau (45 s to 2 min).' },
    { id: 'found-gas-off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'gas at the cup', on: false },
    { id: 'found-purge', kind: 'wait', title: 'Purge', minSeconds: 60, reason: 'Up to a minute, until the display is back at 0 and clean air.' },
    { id: 'zero', kind: 'adjust', title: 'Zero all channels', points: ['zero', 'air'], action: 'zero', together: true, reason: 'In clean air, all at once. Clean means: no running engine, no open bottle.' },
    {
      id: 'span', kind: 'group', title: 'Span', order: 'fixed', forEach: 'channel', steps: [
        {
          id: 'try', kind: 'group', title: 'Try', order: 'fixed', repeat: { atMost: 2, until: { is: 'adjustPassed' } }, steps: [
            {
              id: 'again', kind: 'group', title: 'Second try', order: 'fixed', when: { is: 'iterationAtLeast', count: 2 }, steps: [
                { id: 'off', kind: 'stimulus', title: 'Gas off to clear', slot: 'mix', means: 'gas at the cup', on: false, when: { is: 'stimulusOn', slot: 'mix' } },
                { id: 'clear', kind: 'wait', title: 'Let it clear', minSeconds: 60, reason: 'A failed channel is cleared and zeroed before its second and last try.' },
                { id: 'zero', kind: 'adjust', title: 'Zero again', points: ['zero', 'air'], action: 'zero', together: true },
              ],
            },
            { id: 'gas', kind: 'stimulus', title: 'Gas on', slot: 'mix', means: 'gas at the cup', on: true, when: { not: { is: 'stimulusOn', slot: 'mix' } }, caution: VENTILATED },
            { id: 'adjust', kind: 'adjust', title: 'Span this channel', points: ['span'], action: 'span', together: false, reason: 'Wait for the plateau, set the bottle’s value, press span. The monitor says pass or fail.' },
          ],
        },
        {
          id: 'decide', kind: 'decide', title: 'Two tries failed: decide', when: { is: 'adjustFailed' }, question: 'failedChannel',
          reason: 'Two failed tries end in a decision, never in a third silent try. First: fresh bottle? flow? kinked tube? expired? temperature?',
          options: [
            { id: 'service', label: 'To service: new sensor', consequence: 'service' },
            { id: 'out', label: 'Out of service, with a tag', consequence: 'outOfService' },
          ],
        },
      ],
    },
    { id: 'save', kind: 'save', title: 'Save on the instrument', evidence: 'confirm', reason: 'A separate step on the keys. Not saved is not calibrated.' },
    { id: 'span-gas-off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'gas at the cup', on: false, when: { is: 'stimulusOn', slot: 'mix' } },
    { id: 'purge', kind: 'wait', title: 'Purge', minSeconds: 60, reason: 'Zero on the display can hide gas still in the sensor.' },
    { id: 'left-zero', kind: 'read', title: 'As left: clean air', points: ['zero', 'air'], phase: 'asLeft' },
    { id: 'left-gas-on', kind: 'stimulus', title: 'Gas on', slot: 'mix', means: 'gas at the cup', on: true, caution: VENTILATED },
    { id: 'left-gas', kind: 'read', title: 'As left: gas', points: ['span'], phase: 'asLeft', reason: 'The same bottle again: this is what the customer takes home.' },
    { id: 'left-gas-off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'gas at the cup', on: false },
    { id: 'return', kind: 'check', title: 'Back to clean air', items: [{ id: 'clean', label: 'All channels back at zero and clean air', answer: 'yesNo' }], reason: 'A channel that hangs is not ready to go out.' },
  ],
  cautions: [VENTILATED, 'Cover off, tube off, dust cap on when done.', 'Bump before use; an instrument that failed or is overdue is tagged out of service.'],
};
