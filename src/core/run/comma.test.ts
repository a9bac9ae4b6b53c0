import { expect, it } from 'vitest';
import { MODELS } from '@/processes/seed/catalogue';
import { shippedProcedure } from '@/procedures';
import { beginOnModel } from '../walk/begin-on-model';
import { handAt } from '../walk/walk-hand';
import type { Command } from './command';

/** Every figure of a command with a comma, as a keyboard of the continent has it. */
const commas = (command: Command): Command =>
  JSON.parse(JSON.stringify(command), (_key, value: unknown) =>
    typeof value === 'string' && /^[+-]?\d+\.(\d{1,2}|\d{4,})$/.test(value) ? value.replace('.', ',') : value,
  ) as Command;

function worked(id: string, change: (command: Command) => Command) {
  const procedure = shippedProcedure(id)!;
  const model = MODELS.find((one) => one.procedureId === id)!;
  const actor = { id: 'h', name: 'Hand', role: 'technician' } as const;
  const { run } = beginOnModel(procedure, model, { run: 'comma', actor, start: new Date('2026-03-02T09:00:00Z') });
  let figures = 0;
  for (let next = run.current()[0]; next; next = run.current()[0]) {
    const before = run.state.seq;
    for (const command of handAt(run, next, 'good')) {
      const typed = change(command);
      figures += JSON.stringify(typed).split(/\d,\d/).length - 1;
      run.try(typed);
      run.wait(2);
    }
    if (run.state.seq === before) break;
  }
  return { events: run.events.map(({ type, data, step }) => ({ type, data, step })), figures };
}

it.each(['two-buffer-ph-meter', 'four-gas-leak-monitor', 'laboratory-multi-meter'])(
  '%s: worked with commas it leaves the same events as with points: readings, temperatures, millivolts, the room, figures answered, flows',
  (id) => {
    const [points, typed] = [worked(id, (one) => one), worked(id, commas)];
    expect(typed.figures).toBeGreaterThan(5);
    expect(typed.events).toEqual(points.events);
  },
);
