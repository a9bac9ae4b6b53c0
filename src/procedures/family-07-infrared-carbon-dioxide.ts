import type { Procedure } from '@/core/procedure/procedure';
import * as part from './parts';
import { ROOM_SLOTS, ROOM_STEP } from './room';
import { zeroAndSpanTogether } from './tries';

const SCRUBBER = 'carbon dioxide scrubber at the inlet';

/** Family 7: infrared CO2 channel; zero through a scrubber, single calibration, then fine zero and span controls until it stands. */
export const family07: Procedure = {
  id: 'infrared-carbon-dioxide',
  version: 4,
  family: 7,
  title: 'Infrared carbon dioxide channel, calibration',
  method: 'Zero through a carbon dioxide scrubber, comparison with a certified mixture; fine controls where needed.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: [
    { role: 'co2', label: 'CO₂', measurands: ['carbon dioxide'] },
    { role: 'hc', label: 'Hydrocarbon', measurands: ['methane', 'propane'], optional: true },
  ],
  slots: [
    ...ROOM_SLOTS,
    { id: 'scrubber', label: 'carbon dioxide scrubber', kind: 'tool', needs: ['CO2 scrubber'] },
    { ...part.mixSlot, label: 'carbon dioxide mixture' },
  ],
  points: [...part.zeroPoints(['co2', 'hc']), part.spanPoint(['co2', 'hc'])],
  schools: [part.LEFT_GAS],
  steps: [
    part.warmUp(300),
    ROOM_STEP,
    {
      id: 'scrubber',
      kind: 'reference',
      title: 'Choose the scrubber',
      slots: ['scrubber'],
      reason: 'White is good, violet is spent. Clean air alone holds about 400 ppm: it is no zero.',
    },
    {
      id: 'colour',
      kind: 'check',
      title: 'Look at the scrubber',
      items: [
        { id: 'white', label: 'White, not violet', answer: 'passFault', bad: part.putRight },
        { id: 'hours', label: 'Hours that it was in use', answer: 'number', unit: 'h' },
      ],
      reason: 'Violet is spent: what comes through it is no zero.',
    },
    part.bottle(),
    part.storedSpan,
    { ...part.gasOn('scrub-on', 'scrubber', SCRUBBER, 'Scrubber on'), caution: 'Never in line during span or normal use.' },
    { id: 'scrub-wait', kind: 'wait', title: 'One minute through the scrubber', minSeconds: 60 },
    part.readFound('found-zero', ['zero'], 'As found: zero through the scrubber', 'Before it is zeroed.'),
    part.gasOff('scrub-off', 'scrubber', SCRUBBER, 'Scrubber off'),
    part.gasOn('found-on'),
    part.readFound('found', ['span'], 'As found: gas', part.BEFORE_ANYTHING),
    part.gasOff('found-off'),
    ...part.unlessAsFoundOnly([
      part.purge('found-purge'),
      ...zeroAndSpanTogether(['zero'], ['span'], {
        together: [],
        waitSeconds: 60,
        zeroReason: 'Through the scrubber, or the air’s own carbon dioxide becomes its zero.',
        before: [
          part.gasOn('scrub-on', 'scrubber', SCRUBBER, 'Scrubber on'),
          { id: 'scrub-wait', kind: 'wait', title: 'One minute through the scrubber', minSeconds: 60 },
        ],
        after: [part.gasOff('scrub-off', 'scrubber', SCRUBBER, 'Scrubber off')],
        save: { id: 'save', kind: 'save', title: 'It saves by itself', evidence: 'automatic' },
      }),
      part.purge('purge'),
      part.gasOn('left-scrub-on', 'scrubber', SCRUBBER, 'Scrubber on'),
      { id: 'left-scrub-wait', kind: 'wait', title: 'One minute through the scrubber', minSeconds: 60 },
      part.readLeft('left-zero', ['zero'], 'As left: zero through the scrubber'),
      part.gasOff('left-scrub-off', 'scrubber', SCRUBBER, 'Scrubber off'),
      ...part.leftInOwnGas(['span']),
    ]),
  ],
  cautions: [part.VENTILATED, 'Carbon dioxide is heavier than air: not in a pit or under the bench.', part.BUMP_BEFORE_USE],
};
