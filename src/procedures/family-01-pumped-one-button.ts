import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { CLEAN_AIR, ROOM_SLOTS, ROOM_STEP } from './room';
import { zeroAndSpanTogether } from './tries';

/** Family 1: pumped four-gas monitor, one button; zeroes itself in clean air, spans itself to its own mix in about a minute; a 180-day counter of its own. */
export const family01: Procedure = {
  id: 'pumped-one-button',
  version: 4,
  family: 1,
  title: 'Pumped four-gas monitor with one button, calibration',
  method: 'Comparison with a certified gas mixture; the monitor zeroes and spans itself to its stored values.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: part.fourChannels,
  slots: [part.mixSlot, ...ROOM_SLOTS],
  points: [...part.zeroPoints(['ex', 'h2s', 'co'], ['o2']), part.spanPoint(['o2', 'ex', 'h2s', 'co'])],
  schools: [part.LEFT_GAS, CLEAN_AIR],
  steps: [
    part.warmUp(300),
    part.readOut,
    {
      id: 'counter',
      kind: 'check',
      title: 'Its own counter',
      items: [{ id: 'days', label: 'Days left on its own counter', answer: 'number', unit: 'd', about: 'ownCounter' }],
      reason: 'It counts 180 days by itself, longer than most would wait. It is aligned with the agreed date at the end.',
    },
    ROOM_STEP,
    part.blockTest,
    part.bottle(),
    part.storedSpan,
    {
      id: 'found-zero',
      kind: 'read',
      title: 'As found: clean air',
      points: ['zero', 'air'],
      phase: 'asFound',
      counts: false,
      remark: 'auto-zeroed at power-on',
      reason: 'It zeroed itself at switch-on, so its as-found zero is gone. Recorded, not judged.',
    },
    part.gasOn('found-on', 'mix', 'demand flow'),
    part.readFound('found', ['span'], 'As found: gas', part.BEFORE_ANYTHING),
    part.gasOff('found-off', 'mix', 'demand flow'),
    part.purge('found-purge'),
    ...part.unlessAsFoundOnly([
      ...zeroAndSpanTogether(['zero', 'air'], ['span'], {
        together: [],
        save: {
          id: 'save',
          kind: 'save',
          title: 'It saves by itself',
          evidence: 'automatic',
          reason: 'Its display says done: that is the proof.',
        },
        means: 'demand flow',
        action: 'calibrate',
        waitSeconds: 60,
        zeroReason: 'Press the button once in clean air: it zeroes itself.',
        spanReason: 'It spans itself to its stored values in about a minute: the bottle has to be made for them.',
      }),
      part.purge('purge'),
      part.readLeft('left-zero', ['zero', 'air'], 'As left: clean air'),
      ...part.leftInOwnGas(['span'], { means: 'demand flow' }),
      {
        id: 'align',
        kind: 'check',
        title: 'Align its counter',
        items: [{ id: 'days', label: 'Days set on its own counter', answer: 'number', unit: 'd' }],
        reason: 'Two due dates that differ are worse than one.',
      },
      part.alarmsTried,
      part.returnToAir,
    ]),
  ],
  cautions: [part.VENTILATED, part.LOUD, part.BUMP_BEFORE_USE, part.SITE_DECIDES],
};
