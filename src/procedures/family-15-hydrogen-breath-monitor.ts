import type { Procedure } from '@/core/procedure/procedure';
import { ROOM_SLOTS, ROOM_STEP } from './room';

const MEDICAL = 'Breath and medical instruments: results for a person are decided by qualified practice and local law.';

/** Family 15: hydrogen breath monitor; gas off at once, and the confirmation has a deadline or the calibration is lost. */
export const family15: Procedure = {
  id: 'hydrogen-breath-monitor',
  version: 2,
  family: 15,
  title: 'Hydrogen breath monitor, calibration',
  method: 'Comparison with certified hydrogen in air.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [{ role: 'h2', label: 'H₂', measurands: ['hydrogen'] }],
  slots: [{ id: 'gas', label: 'hydrogen in air', kind: 'gas', needs: 'channelGases' }, ...ROOM_SLOTS],
  points: [
    { id: 'zero', label: 'Zero', channels: ['h2'], target: { kind: 'fixed', value: '0', unit: 'channel' }, tolerance: 'zero' },
    {
      id: 'span',
      label: 'Gas',
      channels: ['h2'],
      target: { kind: 'material', slot: 'gas', component: 'channelGas', via: 'certified' },
    },
  ],
  steps: [
    { id: 'warm-up', kind: 'wait', title: 'Warm up', minSeconds: 300, from: 'placed' },
    ROOM_STEP,
    { id: 'bottle', kind: 'reference', title: 'Choose the bottle', slots: ['gas'] },
    { id: 'found-zero', kind: 'read', title: 'As found: air', points: ['zero'], phase: 'asFound' },
    { id: 'found-on', kind: 'stimulus', title: 'Gas on', slot: 'gas', means: 'gas at the inlet', on: true },
    {
      id: 'flow',
      kind: 'check',
      title: 'Flow',
      items: [{ id: 'ball', label: 'Ball between the second and third line (0.5 L/min)', answer: 'yesNo' }],
    },
    { id: 'found', kind: 'read', title: 'As found: gas', points: ['span'], phase: 'asFound' },
    { id: 'found-off', kind: 'stimulus', title: 'Gas off', slot: 'gas', means: 'gas at the inlet', on: false },
    {
      id: 'calibration',
      kind: 'group',
      title: 'Calibrate',
      order: 'fixed',
      repeat: { atMost: 3 },
      restartOn: { is: 'saveLost' },
      steps: [
        { id: 'on', kind: 'stimulus', title: 'Gas on', slot: 'gas', means: 'gas at the inlet', on: true },
        { id: 'touch', kind: 'adjust', title: 'Touch calibrate at once', points: ['span'], action: 'calibrate', together: true },
        { id: 'off', kind: 'stimulus', title: 'Gas off at once', slot: 'gas', means: 'gas at the inlet', on: false },
        {
          id: 'confirm',
          kind: 'save',
          title: 'Confirm',
          evidence: 'confirm',
          deadlineSeconds: 30,
          reason: 'Without the confirmation within its time the calibration is lost and begins again.',
        },
      ],
    },
    { id: 'left-zero', kind: 'read', title: 'As left: air', points: ['zero'], phase: 'asLeft' },
    { id: 'left-on', kind: 'stimulus', title: 'Gas on', slot: 'gas', means: 'gas at the inlet', on: true },
    { id: 'left', kind: 'read', title: 'As left: gas', points: ['span'], phase: 'asLeft' },
    { id: 'left-off', kind: 'stimulus', title: 'Gas off', slot: 'gas', means: 'gas at the inlet', on: false },
  ],
  cautions: [MEDICAL, 'Used mouthpieces: hygiene.'],
};
