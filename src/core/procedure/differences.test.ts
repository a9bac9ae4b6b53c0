import { describe, expect, it } from 'vitest';
import { PROCEDURES, shippedProcedure } from '@/procedures';
import { corrections, differences, pieces } from './differences';
import { addStep, leaveStepOut, moveStep, putStep, stepAt } from './edit-steps';
import { newStep, STEP_KINDS } from './new-step';
import type { Procedure } from './procedure';
import { takeOver } from './take-over';
import { readOwnProcedure } from '../stored/own-procedure';
import { validateProcedure } from './validate-procedure';

const base = shippedProcedure('two-buffer-ph-meter')!;
const plain = (one: Procedure): unknown => JSON.parse(JSON.stringify(one));

describe('what differs between two versions of a procedure', () => {
  it('nothing between a procedure and itself; every part has a name of its own', () => {
    for (const one of PROCEDURES) {
      expect(differences(one, plain(one) as Procedure)).toEqual([]);
      const keys = pieces(one).map(({ key }) => key);
      expect(new Set(keys).size, one.id).toBe(keys.length);
    }
  });
  it.each(PROCEDURES.map((one, index) => [one.id, one, PROCEDURES[(index + 1) % PROCEDURES.length]!] as const))(
    'all parts of another taken over, %s becomes that other',
    (_id, one, other) => {
      // Parts come in any order; orders last, once everything is there.
      const found = differences(one, other);
      let made = found.filter(({ kind }) => kind !== 'order').reduce(takeOver, one);
      made = found.filter(({ kind }) => kind === 'order').reduce(takeOver, made);
      expect(differences(made, { ...other, id: one.id, family: one.family }).filter(({ kind }) => kind !== 'head')).toEqual([]);
      expect(readOwnProcedure(plain({ ...made, title: other.title })).steps.length).toBe(other.steps.length);
    },
  );
  it('a correction that ships later reaches a copy; what both changed is a choice; what the copy has already is none', () => {
    const [first] = base.steps;
    const theirs: Procedure = {
      ...base,
      method: 'Corrected.',
      cautions: [...base.cautions, 'Mind the glass.'],
      steps: putStep(base.steps, [first!.id], { ...first!, reason: 'Corrected.' }),
    };
    const mine: Procedure = { ...base, title: 'Ours', method: 'Our method.', cautions: theirs.cautions };
    const found = corrections({ base, theirs, mine });
    expect(found.map(({ key, both }) => [key, both])).toEqual([
      ['head/method', true],
      [`step/${first!.id}`, false],
    ]);
    const taken = found.filter((one) => !one.both).reduce(takeOver, mine);
    expect(taken).toMatchObject({ title: 'Ours', method: 'Our method.' });
    expect(stepAt(taken.steps, [first!.id])!.reason).toBe('Corrected.');
    expect(corrections({ base, theirs, mine: taken }).map(({ key }) => key)).toEqual(['head/method']);
  });
});

describe('steps changed', () => {
  it.each(STEP_KINDS)('a new %s is sound, moves, and goes', (kind) => {
    const made = newStep(kind, base, 'New');
    const { steps, path } = addStep(base.steps, [base.steps[0]!.id], made);
    const again = addStep(steps, path, made);
    expect(again.path).not.toEqual(path);
    const procedure = { ...base, steps: again.steps };
    expect(validateProcedure(readOwnProcedure(plain(procedure)))).toEqual([]);
    const moved = moveStep(again.steps, again.path, base.steps[0]!.id);
    expect(moved[0]!.id).toBe(again.path[0]);
    expect(moveStep(moved, again.path, null).at(-1)!.id).toBe(again.path[0]);
    expect(leaveStepOut(leaveStepOut(moved, again.path), path)).toEqual(base.steps);
  });
});
