import { and, eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Database } from '@/data/connection';
import { importBatch, user } from '@/data/schema';
import { asActor } from '@/platform/as-actor';
import { enqueue } from '@/platform/jobs';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { heldBatch } from './held-batch';
import { takeImport } from './take-import';
import '@/core/words/en/imports';

/** Leaves a judged table to the job that takes it in. Errors: Problem (409) for a table that was not looked at. */
export async function leaveImport({ tx, actor }: UseCaseContext, { batchId }: { batchId: string }): Promise<void> {
  need(actor, 'office');
  await heldBatch(tx, batchId, ['judged']);
  await tx.update(importBatch).set({ state: 'taking', problem: '' }).where(eq(importBatch.id, batchId));
  await enqueue(tx, 'takeImport', { batchId, by: actor.id }, { key: `import-${batchId}`, queue: 'imports', attempts: 5 });
}

/**
 * Takes a table in that was left, in the name of whoever left it, all of it or nothing: killed half-way the next try begins anew. Does nothing where it was taken already.
 * What can't be taken goes back to where it was looked at, with the reason. Errors: what the database says; the job tries again.
 */
export async function takeLeftImport(db: Database, { batchId, by }: { batchId: string; by: string }, now: Date): Promise<void> {
  try {
    await db.transaction(async (tx) => {
      const [person] = await tx
        .select({ id: user.id, name: user.name, role: user.role, active: user.active })
        .from(user)
        .where(eq(user.id, by));
      // Held: a second try that runs at once waits here, and then finds it taken.
      const [batch] = await tx
        .select({ state: importBatch.state })
        .from(importBatch)
        .where(eq(importBatch.id, batchId))
        .for('update');
      if (batch?.state !== 'taking') return;
      if (!person?.active) throw new Problem(say({ code: 'import.leftBy' }), {}, 403);
      const actor = { id: person.id, name: person.name, role: person.role };
      await asActor(tx, actor, 'job');
      await takeImport({ tx, actor, now }, { batchId });
    });
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    await db
      .update(importBatch)
      .set({ state: 'judged', problem: error.message })
      .where(and(eq(importBatch.id, batchId), eq(importBatch.state, 'taking')));
  }
}
