import { describe, expect, it } from 'vitest';
import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import type { Procedure, Step } from './procedure';
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
