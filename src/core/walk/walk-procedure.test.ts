import { describe, expect, it } from 'vitest';
import { changeList, leaveStepOut } from '../procedure/edit-steps';
import type { GroupStep, Procedure, Step } from '../procedure/procedure';
import { MODELS } from '@/processes/seed/catalogue';
import { PROCEDURES, shippedProcedure } from '@/procedures';
import { walkProcedure } from './walk-procedure';

const FEW = 20;
const modelOf = (id: string) => MODELS.find((one) => one.procedureId === id) ?? MODELS.find((one) => one.name === 'OF-120')!;
const four = shippedProcedure('four-gas-leak-monitor')!;
const find = (steps: readonly Step[], fits: (step: Step) => boolean, path: string[] = []): string[] | undefined => {
  for (const step of steps) {
    if (fits(step)) return [...path, step.id];
    const inner = step.kind === 'group' ? find(step.steps, fits, [...path, step.id]) : undefined;
    if (inner) return inner;
  }
  return undefined;
};
const isGas = (id: string) => four.slots.some((one) => one.id === id && one.kind === 'gas');
const faultsOf = (procedure: Procedure) => walkProcedure(procedure, modelOf('four-gas-leak-monitor'), FEW).faults;
const without = (fits: (step: Step) => boolean): Procedure => ({
  ...four,
  steps: leaveStepOut(four.steps, find(four.steps, fits)!),
});

describe('a procedure walked on all its ways', () => {
  it.each(PROCEDURES.map((one) => [one.id, one] as const))(
    '%s ends on every way, and nothing on it must not be',
    (id, procedure) => {
      const { ways, faults } = walkProcedure(procedure, modelOf(id), FEW);
      expect(ways).toBeGreaterThan(8);
      expect(faults).toEqual([]);
    },
    60_000,
  );
  it('a valve that nobody shuts before the zero is found: zero on open gas', () => {
    const path = find(four.steps, (step) => step.kind === 'stimulus' && !step.on)!;
    const faults = faultsOf({ ...four, steps: leaveStepOut(four.steps, path) });
    expect(faults.map((one) => one.code)).toContain('zeroOnOpenGas');
    expect(faults.every((one) => one.step.length > 0)).toBe(true);
  });
  it('without a reading, without its gas, without a bottle: each is named', () => {
    expect(faultsOf(without((step) => step.kind === 'stimulus' && step.on)).map((one) => one.code)).toContain('readsClosedGas');
    const blind = faultsOf(without((step) => step.kind === 'reference' && step.slots.some(isGas)));
    expect(blind.some((one) => one.code === 'stuck' && one.sentence)).toBe(true);
    const only = (steps: readonly Step[]): Step[] =>
      steps.flatMap((step): Step[] =>
        step.kind === 'group' ? [{ ...step, steps: only(step.steps) }] : step.kind === 'read' ? [] : [step],
      );
    expect(faultsOf({ ...four, steps: only(four.steps) }).map((one) => one.code)).toContain('nothingRead');
  });
  it('a way that is begun anew each time is found: it never ends', () => {
    const again: GroupStep = {
      id: 'again',
      kind: 'group',
      title: 'Again',
      order: 'fixed',
      forEach: 'channel',
      repeat: { atMost: 50 },
      steps: Array.from({ length: 8 }, (_, n): Step => ({ id: `w${n}`, kind: 'wait', title: 'Wait', minSeconds: 1 })),
    };
    const faults = faultsOf({ ...four, steps: changeList(four.steps, [], (list) => [...list, again]) });
    expect(faults.map((one) => one.code)).toContain('neverEnds');
  });
});
