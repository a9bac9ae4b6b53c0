import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';
import { zeroAndSpanTogether } from './tries';

/** Family 8: single-gas CO detector; clock and flow block first, zeroes itself, raw output noted, saves by itself when stable, the date read back proves it. */
export const family08: Procedure = {
  id: 'single-gas-co-detector',
  version: 4,
  family: 8,
  title: 'Single-gas CO detector, calibration',
  method: 'Comparison with certified carbon monoxide in air; the detector zeroes itself and saves when it stands still.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [{ role: 'co', label: 'CO', measurands: ['carbon monoxide'] }],
  slots: [{ ...part.mixSlot, label: 'carbon monoxide' }, ...ROOM_SLOTS],
  points: [...part.zeroPoints(['co']), part.spanPoint(['co'], 'mix', 'certified')],
  schools: [part.LEFT_GAS],
  steps: [
    {
      id: 'clock',
      kind: 'check',
      title: 'Clock',
      items: [part.clockItem('deviation')],
      reason: 'The date it writes down is only as good as its clock. The deviation is recorded, then corrected.',
    },
    {
      ...part.blockTest,
      title: 'Flow block',
      items: [{ id: 'alarm', label: 'Inlet held shut: it says so', answer: 'passFault', bad: part.mustBeGood }],
    } as Procedure['steps'][number],
    part.warmUp(300, 'Five to ten minutes for this kind.'),
    ROOM_STEP,
    part.bottle(),
    part.storedSpan,
    {
      id: 'found-zero',
      kind: 'read',
      title: 'As found: clean air',
      points: ['zero'],
      phase: 'asFound',
      counts: false,
      remark: 'auto-zeroed at power-on',
      reason: 'It zeroed itself at switch-on. Recorded, not judged.',
    },
    part.gasOn('found-on'),
    part.readFound('found', ['span'], 'As found: gas', part.BEFORE_ANYTHING),
    part.gasOff('found-off'),
    ...part.unlessAsFoundOnly([
      part.purge('found-purge'),
      ...zeroAndSpanTogether(['zero'], ['span'], {
        together: [],
        save: {
          id: 'save',
          kind: 'save',
          title: 'Read back the last-calibration date',
          evidence: 'readBackDate',
          reason: 'It saved by itself: the date proves it.',
        },
        zeroReason: 'It zeroes itself; note the raw output.',
        spanReason: 'It saves by itself when the value stands still. Note the raw output: it is the reference for trouble later.',
      }),
      {
        id: 'raw',
        kind: 'check',
        title: 'Raw output',
        items: [
          { id: 'zero', label: 'Raw output at zero', answer: 'number' },
          { id: 'span', label: 'Raw output in gas', answer: 'number' },
        ],
        reason: 'Against that of the new sensor it tells its health: the reference for trouble later.',
      },
      part.purge('purge'),
      part.readLeft('left-zero', ['zero'], 'As left: clean air'),
      ...part.leftInOwnGas(['span']),
      part.alarmsTried,
      part.returnToAir,
    ]),
  ],
  cautions: [part.VENTILATED, part.LOUD, part.BUMP_BEFORE_USE],
};
