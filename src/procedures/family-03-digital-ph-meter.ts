import type { Procedure } from '@/core/procedure/procedure';

/** Family 3: portable meter with digital pH probes; the buffer is recognised from mV, the data belongs to the probe. */
export const family03: Procedure = {
  id: 'digital-ph-probe',
  version: 1,
  family: 3,
  title: 'Digital pH probe, calibration',
  method:
    'Comparison with certified buffer solutions at the measured temperature; buffer recognised from the electrode’s millivolts.',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [{ role: 'ph', label: 'pH', measurands: ['pH'] }],
  slots: [
    { id: 'buffer', label: 'buffer', kind: 'buffer' },
    { id: 'second', label: 'check buffer', kind: 'buffer' },
  ],
  points: [
    {
      id: 'recognised',
      label: 'Recognised buffer',
      channels: ['ph'],
      target: { kind: 'recognised', set: ['technical-4.01', 'technical-7.00', 'technical-10.01'] },
      tolerance: { limit: '0.1' },
    },
    {
      id: 'check',
      label: 'Check buffer',
      channels: ['ph'],
      target: { kind: 'material', slot: 'second', component: 'technical-7.00', via: 'atTemperature' },
      tolerance: { limit: '0.1' },
    },
  ],
  steps: [
    {
      id: 'probe',
      kind: 'check',
      title: 'Look at the probe',
      items: [
        { id: 'glass', label: 'Glass intact and wet', answer: 'passFault' },
        { id: 'connector', label: 'Plug dry, pins straight', answer: 'passFault' },
      ],
    },
    {
      id: 'points',
      kind: 'group',
      title: 'Buffers',
      order: 'fixed',
      repeat: { atMost: 5, until: { is: 'answered', step: 'more', item: 'another', equals: 'no' } },
      steps: [
        {
          id: 'rinse',
          kind: 'check',
          title: 'Rinse and shake off',
          items: [{ id: 'rinsed', label: 'Rinsed 10 s in distilled water, not rubbed', answer: 'yesNo' }],
        },
        {
          id: 'buffer',
          kind: 'reference',
          title: 'Choose the buffer',
          slots: ['buffer'],
          reason: 'Fresh from the bottle; used buffer never goes back.',
          when: { not: { is: 'property', property: 'no-buffer-record' } },
        },
        { id: 'dip', kind: 'stimulus', title: 'Dip into the buffer', slot: 'buffer', means: 'probe in buffer', on: true },
        {
          id: 'read',
          kind: 'read',
          title: 'Wait for a still reading',
          points: ['recognised'],
          phase: 'adjustment',
          stability: { windowSeconds: 20, maxSpread: '0.01' },
          reason: 'Reading and temperature both have to stand still.',
        },
        { id: 'lift', kind: 'stimulus', title: 'Lift out', slot: 'buffer', means: 'probe in buffer', on: false },
        {
          id: 'more',
          kind: 'check',
          title: 'Another buffer?',
          items: [{ id: 'another', label: 'Another buffer', answer: 'yesNo' }],
        },
      ],
    },
    {
      id: 'result',
      kind: 'decide',
      title: 'Apply or discard',
      question: 'apply',
      options: [
        { id: 'apply', label: 'Apply to the probe' },
        { id: 'discard', label: 'Discard', consequence: 'discard' },
      ],
      reason: 'Slope, zero point and response time as the meter shows them decide it.',
    },
    {
      id: 'store',
      kind: 'adjust',
      title: 'Calibrate the probe',
      points: ['recognised'],
      action: 'calibrate',
      together: true,
      when: { is: 'decided', question: 'apply', option: 'apply' },
    },
    { id: 'second', kind: 'reference', title: 'Choose the check buffer', slots: ['second'] },
    { id: 'verify', kind: 'read', title: 'As left: check buffer', points: ['check'], phase: 'asLeft' },
  ],
  cautions: ['Electrolyte and cleaning solution: gloves, and the data sheet at hand.'],
};
