import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';

/** Family 6: single-gas CO monitor; peaks and alarm events are read first, zero 15 s, span 45 s at 0.3 L/min, stored span value and alarm points checked before and after. */
export const family06: Procedure = {
  id: 'single-gas-co-monitor',
  version: 2,
  family: 6,
  title: 'Single-gas CO monitor, calibration',
  method: 'Comparison with certified carbon monoxide in air; zero in clean air.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [{ role: 'co', label: 'CO', measurands: ['carbon monoxide'] }],
  slots: [{ ...part.mixSlot, label: 'carbon monoxide' }, ...ROOM_SLOTS],
  points: [...part.zeroPoints(['co']), part.spanPoint(['co'], 'mix', 'certified')],
  steps: [
    {
      ...part.readOut,
      items: [
        { id: 'peaks', label: 'Peak, STEL and TWA as shown', answer: 'text' },
        { id: 'alarms', label: 'Last alarm events', answer: 'text' },
      ],
    } as Procedure['steps'][number],
    {
      id: 'settings-before',
      kind: 'check',
      title: 'Settings before',
      items: [
        { id: 'span', label: 'Stored span value', answer: 'number', unit: 'ppm' },
        { id: 'low', label: 'Low alarm', answer: 'number', unit: 'ppm' },
        { id: 'high', label: 'High alarm', answer: 'number', unit: 'ppm' },
      ],
      reason: 'Alarm points are safety settings. A stored span value that is not the bottle’s spans it wrong.',
    },
    part.warmUp(300),
    ROOM_STEP,
    part.bottle(),
    part.readFound('found-zero', ['zero'], 'As found: clean air', 'Before it is zeroed.'),
    part.gasOn('found-on'),
    part.readFound('found', ['span'], 'As found: gas', part.BEFORE_ANYTHING),
    part.gasOff('found-off'),
    ...part.unlessAsFoundOnly([
      {
        id: 'clean',
        kind: 'wait',
        title: 'Clean air',
        minSeconds: 15,
        reason: 'Its zero runs for 15 s by itself.',
      },
      ...part.zeroAndSpanTogether(['zero'], ['span'], {
        save: {
          id: 'save',
          kind: 'save',
          title: 'Save on the instrument',
          evidence: 'confirm',
          reason: 'A separate confirm. Not saved is not calibrated.',
        },
        waitSeconds: 45,
        spanReason: '45 s at 0.3 L/min: it counts down by itself.',
      }),
      part.purge('purge'),
      part.readLeft('left-zero', ['zero'], 'As left: clean air'),
      part.gasOn('left-on'),
      part.readLeft('left', ['span'], 'As left: gas'),
      part.gasOff('left-off'),
      {
        id: 'settings-after',
        kind: 'check',
        title: 'Settings after',
        items: [
          { id: 'low', label: 'Low alarm', answer: 'number', unit: 'ppm', sameAs: 'settings-before/low' },
          { id: 'high', label: 'High alarm', answer: 'number', unit: 'ppm', sameAs: 'settings-before/high' },
        ],
        reason: 'The same as before, unless someone agreed to a change.',
      },
      part.returnToAir,
    ]),
  ],
  cautions: [part.VENTILATED, part.BUMP_BEFORE_USE],
};
