import type { Condition } from '@/core/procedure/condition';
import type { Procedure, Step } from '@/core/procedure/procedure';
import * as part from './parts';
import { CLEAN_AIR, ROOM_SLOTS, ROOM_STEP } from './room';
import { zeroAndSpanTogether } from './tries';

const ALL = ['o2', 'ex', 'h2s', 'co'];
const LEFT_MISSING: Condition = { is: 'leftMissing', points: ['span'] };
const BUMP_MISSING: Condition = { not: { is: 'bumpStands' } };
const watched = (id: string): Step =>
  part.watchedBump(id, ALL, 'A person sees, hears and feels it: the instrument’s own timed test proves no buzzer.');
const latched = (id: string): Step => ({
  id,
  kind: 'check',
  title: 'Latched alarms',
  items: [{ id: 'clear', label: 'Every latched alarm acknowledged', answer: 'yesNo', bad: part.mustBeGood }],
  reason: 'Acknowledged before any mode changes.',
});

/** Family 17: pumped or diffusion four-gas monitor, adjusted by key channel by channel; pump off for a fixed flow; watched bump at the end. */
export const family17: Procedure = {
  id: 'pump-diffusion-four-gas',
  version: 4,
  family: 17,
  title: 'Pumped/diffusion four-gas monitor, calibration',
  method: 'Comparison with a certified gas mixture; each channel set to the bottle by key; zero in clean air.',
  scope: 'calibration',
  warmUpSeconds: 300,
  channels: part.fourChannels,
  slots: [part.mixSlot, ...ROOM_SLOTS],
  points: [...part.zeroPoints(['ex', 'h2s', 'co'], ['o2']), part.spanPoint(ALL)],
  schools: [part.LEFT_GAS, part.BUMP_GAS, CLEAN_AIR],
  steps: [
    part.warmUp(300),
    part.readOut,
    ROOM_STEP,
    part.blockTest,
    part.bottle(),
    part.storedSpan,
    {
      id: 'pump',
      kind: 'check',
      title: 'Pump',
      items: [
        { id: 'state', label: 'Pump off for a fixed flow, on for a demand regulator', answer: 'yesNo', bad: part.putRight },
      ],
      reason: 'A fixed flow never matches a pump: too little starves it, too much pushes on the seals.',
    },
    part.readFound('found-zero', ['zero', 'air'], 'As found: clean air', 'Before it is zeroed.'),
    part.gasOn('found-on'),
    part.readFound('found', ['span'], 'As found: gas', part.BEFORE_ANYTHING),
    ...part.unlessAsFoundOnly([
      {
        ...watched('bump-found'),
        when: { all: [{ is: 'school', school: 'bump-gas', option: 'found' }, { is: 'tripsAlarms' }] },
      },
    ]),
    part.gasOffIfOn('found-off'),
    ...part.unlessAsFoundOnly([{ ...latched('acknowledge-found'), when: { is: 'bumpStands' } }]),
    part.purge('found-purge'),
    ...part.unlessAsFoundOnly([
      ...zeroAndSpanTogether(['zero', 'air'], ['span'], {
        together: [],
        save: {
          id: 'save',
          kind: 'save',
          title: 'Next due shown',
          evidence: 'readBackDate',
          reason: 'It shows the date of the calibration when it has saved.',
        },
        spanReason: 'Key by key: each channel to the bottle’s value.',
      }),
      part.purge('purge'),
      part.readLeft('left-zero', ['zero', 'air'], 'As left: clean air'),
      // Left and bump in one gas, each only where it was not done in a gas that was open anyhow.
      { ...part.gasOn('left-on'), when: { any: [LEFT_MISSING, BUMP_MISSING] } },
      { ...part.readLeft('left', ['span'], 'As left: gas'), when: LEFT_MISSING },
      { ...watched('bump'), when: BUMP_MISSING },
      part.gasOffIfOn('left-off'),
      latched('acknowledge'),
      part.returnToAir,
    ]),
  ],
  cautions: [part.VENTILATED, part.LOUD, part.BUMP_BEFORE_USE, part.SITE_DECIDES],
};
