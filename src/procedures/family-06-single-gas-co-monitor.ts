import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';
import { zeroAndSpanTogether } from './tries';

/** Family 6: single-gas CO monitor; peaks and alarm events are read first, zero 15 s, span 45 s at 0.3 L/min, stored span value and alarm points checked before and after. */
export const family06: Procedure = {
  id: 'single-gas-co-monitor',
  version: 4,
  family: 6,
  title: 'Single-gas CO monitor, calibration',
  method: 'Comparison with certified carbon monoxide in air; zero in clean air.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [{ role: 'co', label: 'CO', measurands: ['carbon monoxide'] }],
  slots: [{ ...part.mixSlot, label: 'carbon monoxide' }, ...ROOM_SLOTS],
  points: [...part.zeroPoints(['co']), part.spanPoint(['co'], 'mix', 'certified')],
  schools: [part.LEFT_GAS],
  steps: [
    {
      ...part.readOut,
      items: [part.peaksItem, { id: 'alarms', label: 'Last alarm events', answer: 'text', about: 'lastAlarm' }],
    } as Procedure['steps'][number],
    {
      id: 'settings-before',
      kind: 'check',
      title: 'Settings before',
      items: [
        { id: 'low', label: 'Low alarm', answer: 'number', unit: 'ppm', about: 'alarmLow', bad: part.asAgreed },
        { id: 'high', label: 'High alarm', answer: 'number', unit: 'ppm', about: 'alarmHigh', bad: part.asAgreed },
      ],
      reason: 'Alarm points are safety settings.',
    },
    part.warmUp(300),
    ROOM_STEP,
    part.bottle(),
    part.storedSpan,
    part.readFound('found-zero', ['zero'], 'As found: clean air', 'Before it is zeroed.'),
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
          title: 'Save on the instrument',
          evidence: 'confirm',
          reason: 'A separate confirm. Not saved is not calibrated.',
        },
        waitSeconds: 45,
        zeroReason: 'Its zero counts down 15 s by itself: that is its own time, no purge.',
        spanReason: '45 s at 0.3 L/min: it counts down by itself.',
      }),
      part.purge('purge'),
      part.readLeft('left-zero', ['zero'], 'As left: clean air'),
      ...part.leftInOwnGas(['span']),
      {
        id: 'settings-after',
        kind: 'check',
        title: 'Settings after',
        items: [
          {
            id: 'span',
            label: 'Stored span value',
            answer: 'number',
            unit: 'ppm',
            about: 'storedSpan',
            bad: { when: { differsFrom: 'spanTarget' }, follows: ['mend', 'service', 'return'] },
          },
          { id: 'low', label: 'Low alarm', answer: 'number', unit: 'ppm', about: 'alarmLow', sameAs: 'settings-before/low' },
          { id: 'high', label: 'High alarm', answer: 'number', unit: 'ppm', about: 'alarmHigh', sameAs: 'settings-before/high' },
        ],
        reason: 'The same as before, unless someone agreed to a change.',
      },
      part.alarmsTried,
      part.returnToAir,
    ]),
  ],
  cautions: [part.VENTILATED, part.LOUD, part.BUMP_BEFORE_USE],
};
