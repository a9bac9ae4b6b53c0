import { describe, expect, it } from 'vitest';
import { readOwnProcedure } from './own-procedure';
import { PROCEDURES } from '@/procedures';

type Loose = Record<string, Record<string, unknown>[]>;

describe('a procedure as it is stored, to its last part', () => {
  it.each(PROCEDURES.map((one) => [one.id, one] as const))('%s is read as it is', (_id, procedure) => {
    const stored: unknown = JSON.parse(JSON.stringify(procedure));
    expect(readOwnProcedure(stored)).toEqual(stored);
  });
  const [first] = PROCEDURES;
  const changed = (change: (copy: Loose) => void) => {
    const copy = JSON.parse(JSON.stringify(first)) as Loose;
    change(copy);
    return copy as unknown;
  };
  it.each<[string, (copy: Loose) => void]>([
    ['a kind of step that there is not', (copy) => (copy.steps![0]!.kind = 'pray')],
    ['a condition that there is not', (copy) => (copy.steps![0]!.when = { is: 'sunny' })],
    ['a condition within a condition that there is not', (copy) => (copy.steps![0]!.when = { not: { all: [{ is: 'sunny' }] } })],
    ['a part that there is not', (copy) => (copy.steps![0]!.colour = 'red')],
    ['a target without its value', (copy) => (copy.points![0]!.target = { kind: 'fixed', unit: 'ppm' })],
    ['an unknown quantity', (copy) => (copy.channels![0]!.measurands = ['luck'])],
    ['a wait of a year', (copy) => copy.steps!.push({ id: 'w', kind: 'wait', title: 'w', minSeconds: 31_536_000 })],
  ])('%s is refused by name', (_what, change) => {
    expect(() => readOwnProcedure(changed(change))).toThrow(/stored procedure must be/);
  });
});
