import { describe, expect, it } from 'vitest';
import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import type { Point, Procedure, Step } from './procedure';
import { validateProcedure } from './validate-procedure';

const base: Procedure = {
  id: 'p',
  version: 1,
  family: 4,
  title: 'P',
  method: 'm',
  scope: 'calibration',
  warmUpSeconds: 0,
  channels: [{ role: 'co', label: 'CO', measurands: ['carbon monoxide'] }],
  slots: [{ id: 'gas', label: 'gas', kind: 'gas' }],
  points: [
    {
      id: 'span',
      label: 'Gas',
      channels: ['co'],
      target: { kind: 'material', slot: 'gas', component: 'channelGas', via: 'certified' },
    },
  ],
  steps: [{ id: 'read', kind: 'read', title: 'Read', points: ['span'], phase: 'asFound' }],
  cautions: [],
};
const withPoint = (parts: Partial<Point>): Point => ({ ...base.points[0]!, ...parts });
const withSteps = (...steps: Step[]) => validateProcedure({ ...base, steps });

describe('a procedure on its way in', () => {
  it('is sound when every name is defined', () => {
    expect(validateProcedure(base)).toEqual([]);
    expect(validateProcedure(family04)).toEqual([]);
  });
  it.each<[string, Partial<Procedure>, RegExp]>([
    ['a channel that is none', { points: [{ ...base.points[0]!, channels: ['h2s'] }] }, /channel “h2s”/],
    ['a slot that is none', { slots: [] }, /slot “gas”/],
    ['two points of one name', { points: [base.points[0]!, base.points[0]!] }, /point “span” is defined twice/],
    ['two slots of one name', { slots: [base.slots[0]!, base.slots[0]!] }, /slot “gas” is defined twice/],
    ['two channels of one role', { channels: [base.channels[0]!, base.channels[0]!] }, /channel “co” is defined twice/],
    ['no step', { steps: [] }, /at least one step/],
    [
      'a channel that measures nothing',
      { channels: [{ ...base.channels[0]!, measurands: [] }] },
      /channel “CO” measures nothing/,
    ],
    ['a point without a channel', { points: [{ ...base.points[0]!, channels: [] }] }, /covers no channel/],
    [
      'a fixed value in words',
      { points: [withPoint({ target: { kind: 'fixed', value: 'half', unit: 'ppm' } })] },
      /“half”, which is no figure/,
    ],
    [
      'a unit that is none',
      { points: [withPoint({ target: { kind: 'fixed', value: '5', unit: 'bits' } })] },
      /“bits”, which is not known/,
    ],
    ['no buffer to name', { points: [withPoint({ target: { kind: 'recognised', set: [] } })] }, /knows no buffer/],
    ['a limit of nought', { points: [withPoint({ tolerance: { limit: '0' } })] }, /figure above nought/],
    ['a caution beyond the limit', { points: [withPoint({ tolerance: { limit: '1', caution: '2' } })] }, /up to its limit/],
    [
      'bounds the wrong way round',
      { points: [withPoint({ gate: { lowest: '9', highest: '1', reason: 'r' } })] },
      /the lower one first/,
    ],
    ['bounds without a reason', { points: [withPoint({ gate: { lowest: '1', highest: '9', reason: ' ' } })] }, /need a reason/],
  ])('names %s', (_what, change, fault) => {
    expect(validateProcedure({ ...base, ...change }).join('\n')).toMatch(fault);
  });
  it.each<[string, Step, RegExp]>([
    ['a point', { id: 'a', kind: 'adjust', title: '', points: ['zero'], action: 'zero', together: true }, /point “zero”/],
    ['a slot of a reference', { id: 'a', kind: 'reference', title: '', slots: ['buffer'] }, /slot “buffer”/],
    ['a slot of a stimulus', { id: 'a', kind: 'stimulus', title: '', slot: 'air', means: 'valve', on: true }, /slot “air”/],
    [
      'a channel of a bump',
      { id: 'a', kind: 'bump', title: '', channels: ['o2'], method: 'watched', outputs: [] },
      /channel “o2”/,
    ],
    ['an id with signs', { id: 'A b', kind: 'wait', title: '', minSeconds: 1 }, /lower case/],
    ['a wait that ends before it may', { id: 'a', kind: 'wait', title: '', minSeconds: 60, maxSeconds: 30 }, /end before it may/],
    [
      'a group without end',
      { id: 'a', kind: 'group', title: '', order: 'fixed', steps: [], restartOn: { is: 'saveLost' } },
      /without a number of rounds/,
    ],
    [
      'a group that repeats too often',
      { id: 'a', kind: 'group', title: '', order: 'fixed', steps: [], repeat: { atMost: 1000 } },
      /1 to 50/,
    ],
  ])('names %s that is wrong in a step, also inside a group', (_what, step, fault) => {
    expect(withSteps(step).join('\n')).toMatch(fault);
    expect(withSteps({ id: 'outer', kind: 'group', title: '', order: 'fixed', steps: [step] }).join('\n')).toMatch(fault);
  });
});
