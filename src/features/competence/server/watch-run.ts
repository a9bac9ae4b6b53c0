import { say } from '@/core/words/say';
import { runWatched } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { watchNeeded } from '@/platform/works-watched';
import '@/core/words/en/competence';

/** Says that a run was watched: by somebody authorised for it, who did not work it. Once. Errors: Problem (403, 404, 409). */
export async function watchRun({ tx, now, actor }: UseCaseContext, { run, note }: { run: string; note: string }): Promise<void> {
  need(actor, 'bench');
  const watch = await watchNeeded(tx, { run });
  if (!watch) throw new Problem(say({ code: 'competence.notNeeded' }), {}, 409);
  if (watch.person.id === actor.id) throw new Problem(say({ code: 'competence.notOwn' }), {}, 409);
  if (!watch.watchers.some((one) => one.id === actor.id)) throw new Problem(say({ code: 'competence.notYou' }), {}, 403);
  if (watch.watched) throw new Problem(say({ code: 'competence.watchedAlready', numbers: { by: watch.watched.by } }), {}, 409);
  await tx.insert(runWatched).values({ runId: run, watcher: actor.id, watcherName: actor.name, note, at: now });
}
