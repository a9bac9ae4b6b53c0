import { expect, it } from 'vitest';
import { MODELS } from '@/processes/seed/catalogue';
import { shippedProcedure } from '@/procedures';
import { beginOnModel } from '../walk/begin-on-model';
import { handAt } from '../walk/walk-hand';
import { gasOfRun } from './gas-of-run';

/** A run worked on the plain way; gas is left open so many s longer than it has to be, each time. */
function worked(longer: number) {
  const procedure = shippedProcedure('single-gas-co-monitor')!;
  const model = MODELS.find((one) => one.name === 'OF-120')!;
  const actor = { id: 'h', name: 'Hand', role: 'technician' } as const;
  const { run } = beginOnModel(procedure, model, { run: 'gas', actor, start: new Date('2026-03-02T09:00:00Z') });
  for (let next = run.current()[0]; next; next = run.current()[0]) {
    const before = run.state.seq;
    for (const command of handAt(run, next, 'good')) {
      if (command.type === 'changeStimulus' && !command.on) run.wait(longer);
      run.try(command);
      run.wait(1);
    }
    if (run.state.seq === before) break;
  }
  return gasOfRun(procedure, run.state)[0]!;
}

it('what was used is never under the shortest; ten minutes more each time are ten minutes more of flow, and the shortest stays the same', () => {
  const [quick, slow] = [worked(0), worked(600)];
  expect(quick.used).toBeGreaterThanOrEqual(quick.shortest);
  expect(slow.shortest).toBeCloseTo(quick.shortest, 6);
  const spans = (slow.used - quick.used) / (0.5 * 10);
  // A whole number of openings, each ten minutes at 0.5 L/min longer.
  expect(spans).toBeCloseTo(Math.round(spans), 2);
  expect(Math.round(spans)).toBeGreaterThanOrEqual(2);
});
