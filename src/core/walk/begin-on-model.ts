import type { Traits } from '../instrument/traits';
import type { Procedure } from '../procedure/procedure';
import { channelsAsked, schoolsOf } from '../procedure/schools-of';
import type { Actor, RunChannel } from '../record/event';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { ScriptedRun } from '../run/scripted';
import { walkShelf } from './walk-shelf';

/** What of a model a run is begun with: how it behaves and what it measures. */
export interface ModelToTry {
  traits: Traits;
  channels: readonly Omit<RunChannel, 'id' | 'item' | 'status'>[];
}

/**
 * Begins a run of a procedure on a model without a workshop: an instrument with every channel fitted, and on the shelf one thing for every place. It is marked as practice and never comes near a store.
 * Errors: Error where the program refuses to begin it, with its sentence.
 *
 * @example
 * beginOnModel(family4, { traits, channels }, { run: 'try', actor, start: new Date() }).run.step().step.kind // 'wait'
 */
export function beginOnModel(
  procedure: Procedure,
  { traits, channels }: ModelToTry,
  {
    run,
    actor,
    start,
    chosen = {},
    warmSince = start.getTime(),
    item = { model: 'walk', serial: 'walk' },
    shelfOf = walkShelf,
  }: {
    run: string;
    actor: Actor;
    start: Date;
    /** Where practitioners disagree: what is done other than the model’s own way. */
    chosen?: Record<string, string>;
    /** When it was switched on, ms since 1970. */
    warmSince?: number;
    item?: { model: string; serial: string };
    /** What stands on the shelf: one thing for each place where left out. */
    shelfOf?: typeof walkShelf;
  },
): { run: ScriptedRun; shelf: ReferenceSnapshot[] } {
  const schools = { ...schoolsOf(procedure, traits), ...chosen };
  const fitted = channels
    .filter((one) => procedure.channels.some((place) => place.role === one.role))
    .map((one): RunChannel => ({ ...one, id: `c-${one.role}`, item: 'body', status: 'fitted' }));
  const shelf = shelfOf(procedure, fitted, schools);
  const begun = new ScriptedRun(procedure, { run, actor, start, references: shelf }).start({
    origin: 'guided',
    service: 'calibrate',
    rule: 'simple',
    coverage: 0.9545,
    practice: true,
    placedAt: new Date(warmSince).toISOString(),
    items: [{ id: 'body', part: 'body', assetId: run, ...item, traits }],
    channels: channelsAsked(fitted, procedure, schools),
    ...(procedure.schools?.length ? { schools } : {}),
  });
  return { run: begun, shelf };
}
