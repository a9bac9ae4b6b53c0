import type { Procedure } from '@/core/procedure/procedure';

/** Family 21: pumped five-gas monitor on a pentane scale; a sensor may be absent; block test, full zero, detector pairs done twice, bump both ways. */
export const family21: Procedure = {
  id: 'pumped-five-gas',
  version: 1,
  family: 21,
  title: 'Pumped five-gas monitor, calibration',
  method: 'Comparison with a certified mixture through a demand-flow regulator; combustible channel on a pentane scale.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [
    { role: 'o2', label: 'O₂', measurands: ['oxygen'] },
    { role: 'ex', label: 'Combustible', measurands: ['pentane'] },
    { role: 'h2s', label: 'H₂S', measurands: ['hydrogen sulphide'], optional: true },
    { role: 'co', label: 'CO', measurands: ['carbon monoxide'], optional: true },
    { role: 'so2', label: 'SO₂', measurands: ['sulphur dioxide'], optional: true },
  ],
  slots: [{ id: 'mix', label: 'gas mixture', kind: 'gas', needs: 'channelGases' }],
  points: [
    { id: 'zero', label: 'Zero', channels: ['ex', 'h2s', 'co', 'so2'], target: { kind: 'fixed', value: '0', unit: 'channel' }, tolerance: 'zero' },
    { id: 'air', label: 'Clean air', channels: ['o2'], target: { kind: 'computed', function: 'cleanAirOxygen' } },
    { id: 'span', label: 'Gas', channels: ['o2', 'ex', 'h2s', 'co', 'so2'], target: { kind: 'material', slot: 'mix', component: 'channelGas', via: 'lelScale' } },
    { id: 'response', label: 'Falls in gas', channels: ['o2'], target: { kind: 'observe', direction: 'fall' } },
  ],
  steps: [
    { id: 'warm-up', kind: 'wait', title: 'Warm up', minSeconds: 300, from: 'placed' },
    { id: 'block', kind: 'check', title: 'Block the inlet', items: [{ id: 'alarm', label: 'Pump stops and the block alarm shows', answer: 'passFault' }], reason: 'Failing usually means a gasket or filter is missing.' },
    { id: 'bottle', kind: 'reference', title: 'Choose the bottle', slots: ['mix'] },
    { id: 'found-zero', kind: 'read', title: 'As found: clean air', points: ['zero', 'air'], phase: 'asFound' },
    { id: 'found-on', kind: 'stimulus', title: 'Gas on', slot: 'mix', means: 'demand flow', on: true },
    { id: 'found', kind: 'read', title: 'As found: gas', points: ['span', 'response'], phase: 'asFound' },
    { id: 'found-off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'demand flow', on: false },
    {
      id: 'pass', kind: 'group', title: 'Zero and span', order: 'fixed', repeat: { atMost: 2, until: { not: { is: 'property', property: 'detector-pairs' } } }, steps: [
        { id: 'settle', kind: 'wait', title: 'Wait for the other detector pair', minSeconds: 300, maxSeconds: 600, when: { is: 'iterationAtLeast', count: 2 }, reason: 'The pairs swap at every zero: both have to be zeroed and spanned, 5 to 10 min apart.' },
        { id: 'zero', kind: 'adjust', title: 'Full zero', points: ['zero', 'air'], action: 'zero', together: true, reason: 'Not the quick set-up: that one has a narrow authority and does not count.' },
        { id: 'on', kind: 'stimulus', title: 'Gas on', slot: 'mix', means: 'demand flow', on: true },
        { id: 'span', kind: 'adjust', title: 'Span', points: ['span'], action: 'span', together: true },
        { id: 'off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'demand flow', on: false },
        { id: 'save', kind: 'save', title: 'Save', evidence: 'readBackDate' },
      ],
    },
    { id: 'left-zero', kind: 'read', title: 'As left: clean air', points: ['zero', 'air'], phase: 'asLeft' },
    { id: 'left-on', kind: 'stimulus', title: 'Gas on', slot: 'mix', means: 'demand flow', on: true },
    { id: 'left', kind: 'read', title: 'As left: gas', points: ['span'], phase: 'asLeft' },
    { id: 'bump', kind: 'bump', title: 'Bump, watched', channels: ['o2', 'ex', 'h2s', 'co', 'so2'], method: 'watched', outputs: ['sound', 'light', 'vibration'] },
    { id: 'left-off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'demand flow', on: false },
  ],
  cautions: ['Toxic gas: ventilated place, cylinder secured, outlet away from people.', 'The horn is loud close to the ear.'],
};
