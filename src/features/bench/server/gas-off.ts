import { randomUUID } from 'node:crypto';
import { openStimulus } from '@/core/record/state';
import { say } from '@/core/words/say';
import { isRefusal } from '@/core/words/refusal';
import { recordAudit } from '@/platform/audit';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { board } from './board';
import { giveCommand } from './give-command';
import { loadForCommand } from './run-store';
import '@/core/words/en/lock';

/** The places as a locked screen shows them: open gas first, then by number; no customer, no reading. */
export async function lockedStrip({ tx }: Pick<UseCaseContext, 'tx'>) {
  const { tickets } = await board(tx, ['onBench']);
  const byPlace = tickets.sort(
    (a, b) => Number(!a.next?.gasSince) - Number(!b.next?.gasSince) || (a.place ?? 0) - (b.place ?? 0),
  );
  return byPlace.map(({ id, place, maker, model, runId, status, next, placedAt, warmUpSeconds }) => ({
    id,
    place,
    name: `${maker} ${model}`,
    runId,
    status,
    next,
    placedAt,
    warmUpSeconds,
  }));
}
export type LockedPlace = Awaited<ReturnType<typeof lockedStrip>>[number];

/**
 * Closes what is open in a run from a locked screen: whoever stands there may do it, and the record says that the screen was locked. Errors: Problem (404) for no such run, (409) where nothing is open any more.
 */
export async function gasOff(context: UseCaseContext, { run }: { run: string }): Promise<void> {
  const loaded = await loadForCommand(context.tx, run);
  const open = loaded && openStimulus(loaded.state);
  if (!open) throw new Problem(say({ code: 'lock.quiet' }), {}, loaded ? 409 : 404);
  const given = await giveCommand(context, {
    run,
    commandId: `locked-${randomUUID()}`,
    command: { type: 'changeStimulus', step: 'gas', slot: open.slot, on: false },
  });
  if (isRefusal(given)) throw new Problem(given.sentence, {}, 409);
  await recordAudit(context, 'gasOffAtLockedScreen', run);
}
