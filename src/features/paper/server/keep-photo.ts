import { createHash } from 'node:crypto';
import { and, eq, inArray } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { runPhoto, runSummary, type PhotoMime } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { kindOfBytes } from '@/platform/kind-of-bytes';
import { Problem } from '@/platform/problem';
import { isId } from '@/platform/shape';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/from-paper';

const MOST_BYTES = 8 * 1024 * 1024;
const LEAST_BYTES = 100;

const KINDS = ['image/jpeg', 'image/png'] as const satisfies PhotoMime[];

/** Keeps a photo of a paper sheet with its run, once whatever it is called. Errors: Problem for no such run, one that is closed, no picture, too large. */
export async function keepPhoto(context: UseCaseContext, { runId, bytes }: { runId: string; bytes: Buffer }): Promise<string> {
  const { tx, actor, now } = context;
  const mime = kindOfBytes(bytes, KINDS);
  if (!mime || bytes.length < LEAST_BYTES) throw new Problem(say({ code: 'paper.notAPicture' }), {}, 400);
  if (bytes.length > MOST_BYTES) throw new Problem(say({ code: 'paper.tooLarge' }), {}, 400);
  const [row] = isId(runId)
    ? await tx.select({ status: runSummary.status }).from(runSummary).where(eq(runSummary.runId, runId))
    : [];
  if (!row) throw new Problem(say({ code: 'paper.noRun' }), {}, 404);
  if (row.status !== 'open') throw new Problem(say({ code: 'paper.closed' }), {}, 409);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const kept = await tx
    .insert(runPhoto)
    .values({ runId, hash, mime, bytes, takenBy: actor.name, keptAt: now })
    .onConflictDoNothing()
    .returning({ hash: runPhoto.hash });
  if (kept.length) await recordAudit(context, 'photo of paper kept', runId, { hash, bytes: bytes.length });
  return hash;
}

/** Which of these photos are with the run. */
export async function photosKept(tx: Transaction, runId: string, hashes: readonly string[]): Promise<Set<string>> {
  if (hashes.length === 0) return new Set();
  const rows = await tx
    .select({ hash: runPhoto.hash })
    .from(runPhoto)
    .where(and(eq(runPhoto.runId, runId), inArray(runPhoto.hash, [...hashes])));
  return new Set(rows.map((one) => one.hash));
}

export async function photoOf(
  tx: Transaction,
  runId: string,
  hash: string,
): Promise<{ mime: PhotoMime; bytes: Buffer } | undefined> {
  if (!isId(runId)) return undefined;
  const [row] = await tx
    .select({ mime: runPhoto.mime, bytes: runPhoto.bytes })
    .from(runPhoto)
    .where(and(eq(runPhoto.runId, runId), eq(runPhoto.hash, hash)));
  return row;
}
