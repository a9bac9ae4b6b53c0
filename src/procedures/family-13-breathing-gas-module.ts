import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { CLEAN_AIR, ROOM_SLOTS, ROOM_STEP } from './room';
import { zeroAndSpanTogether } from './tries';

const ALL = ['co2', 'o2', 'n2o', 'agent'];
const SCAVENGE = 'Anaesthetic or oxidising mix: scavenging, no oil or flame, outlet away from people.';

/** Family 13: breathing-gas module in a host; zero, feed the mix, set all four components to the bottle, a second look, accept. */
export const family13: Procedure = {
  id: 'breathing-gas-module',
  version: 4,
  family: 13,
  title: 'Breathing-gas analyser module, calibration',
  method: 'Comparison with a certified mixture of carbon dioxide, oxygen, nitrous oxide and agent; values set to the bottle’s.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [
    { role: 'co2', label: 'CO₂', measurands: ['carbon dioxide'] },
    { role: 'o2', label: 'O₂', measurands: ['oxygen'] },
    { role: 'n2o', label: 'N₂O', measurands: ['nitrous oxide'] },
    { role: 'agent', label: 'Agent', measurands: ['anaesthetic agent'], optional: true },
  ],
  slots: [{ ...part.mixSlot, label: 'breathing-gas mixture' }, ...ROOM_SLOTS],
  points: [...part.zeroPoints(['co2', 'n2o', 'agent'], ['o2']), part.spanPoint(ALL, 'mix', 'certified')],
  schools: [CLEAN_AIR],
  steps: [
    part.warmUp(300, 'Five minutes for the module in its host.'),
    {
      id: 'host',
      kind: 'check',
      title: 'Host and module',
      items: [
        { id: 'host', label: 'Serial of the host', answer: 'text' },
        { id: 'agent', label: 'Agent recognised is the bottle’s', answer: 'passFault', bad: part.mustBeGood },
      ],
      reason: 'A module that recognises an agent must see the bottle’s.',
    },
    ROOM_STEP,
    { ...part.bottle(), caution: SCAVENGE } as Procedure['steps'][number],
    part.readFound('found-zero', ['zero', 'air'], 'As found: room air', 'Before it is zeroed.'),
    { ...part.gasOn('found-on', 'mix', 'sample line'), caution: SCAVENGE },
    part.readFound('found', ['span'], 'As found: mix', part.BEFORE_ANYTHING),
    part.gasOff('found-off', 'mix', 'sample line'),
    ...part.unlessAsFoundOnly([
      part.purge('found-purge'),
      ...zeroAndSpanTogether(['zero', 'air'], ['span'], {
        means: 'sample line',
        action: 'calibrate',
        zeroReason: 'The module’s own zero in room air, free of agent vapour.',
        look: [
          { ...part.gasOn('look-on', 'mix', 'sample line'), caution: SCAVENGE },
          {
            id: 'look',
            kind: 'read',
            title: 'Second look',
            points: ['span'],
            phase: 'check',
            reason: 'The same bottle again before it is accepted: repeatability, not verification.',
          },
          part.gasOff('look-off', 'mix', 'sample line'),
        ],
        save: { id: 'save', kind: 'save', title: 'Accept', evidence: 'confirm', reason: 'Not accepted is not calibrated.' },
        spanReason:
          'Set CO₂, O₂, N₂O and agent to this bottle’s values: the module shows 5.04, the bottle says 5.00, so it is set to 5.00.',
      }),
      part.purge('purge'),
      part.readLeft('left-zero', ['zero', 'air'], 'As left: room air'),
      { ...part.gasOn('left-on', 'mix', 'sample line'), caution: SCAVENGE },
      part.readLeft('left', ['span'], 'As left: mix'),
      part.gasOff('left-off', 'mix', 'sample line'),
    ]),
  ],
  cautions: [SCAVENGE, part.MEDICAL],
};
