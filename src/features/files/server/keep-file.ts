import { createHash } from 'node:crypto';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { violatedUnique } from '@/data/database-problem';
import {
  asset,
  customer,
  FILE_SUBJECTS,
  instrumentModel,
  keptFile,
  reference,
  ticket,
  type FileMime,
  type FileSubject,
} from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { kindOfBytes } from '@/platform/kind-of-bytes';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { isId } from '@/platform/shape';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/files';

export const MOST_MB = 12;
const LEAST_BYTES = 100;
const SUBJECTS = { asset, ticket, reference, customer, model: instrumentModel };
const KINDS = ['image/jpeg', 'image/png', 'application/pdf'] as const satisfies FileMime[];

const isSubject = (text: string): text is FileSubject => (FILE_SUBJECTS as readonly string[]).includes(text);

export interface FileGiven {
  about: string;
  aboutId: string;
  name: string;
  bytes: Buffer;
}

/**
 * Keeps a photo or a paper beside what it belongs to; the same one twice is said.
 * Errors: Problem (403); (400) for no such kind or too large; (404) where what it belongs to is not on record; (409) for one that is there.
 */
export async function keepFile(context: UseCaseContext, { about, aboutId, name, bytes }: FileGiven): Promise<{ id: string }> {
  need(context.actor, 'receive');
  const { tx, actor, now } = context;
  const shown =
    name
      .replace(/[\p{C}/\\]/gu, ' ')
      .trim()
      .slice(0, 120) || 'file';
  const mime = kindOfBytes(bytes, KINDS);
  if (!mime || bytes.length < LEAST_BYTES) throw new Problem(say({ code: 'files.kind', numbers: { name: shown } }), {}, 400);
  if (bytes.length > MOST_MB * 1024 * 1024)
    throw new Problem(say({ code: 'files.large', numbers: { name: shown, most: MOST_MB } }), {}, 400);
  const table = isSubject(about) && isId(aboutId) ? SUBJECTS[about] : null;
  const [there] = table ? await tx.select({ id: table.id }).from(table).where(eq(table.id, aboutId)) : [];
  if (!there) throw new Problem(say({ code: 'files.noSubject' }), {}, 404);
  const hash = createHash('sha256').update(bytes).digest('hex');
  try {
    const [row] = await tx
      .insert(keptFile)
      .values({ about: about as FileSubject, aboutId, name: shown, mime, hash, bytes, keptBy: actor.name, keptAt: now })
      .returning({ id: keptFile.id });
    await recordAudit(context, 'keepFile', `${about} ${aboutId}`, { name: shown, hash, bytes: bytes.length });
    return row!;
  } catch (error) {
    if (violatedUnique(error) !== 'kept_file_once') throw error;
    throw new Problem(say({ code: 'files.there', numbers: { name: shown } }), {}, 409);
  }
}

export interface FileShown {
  id: string;
  name: string;
  mime: FileMime;
  keptBy: string;
  keptAt: Date;
}

/** What is kept beside something, in the order in which it came. */
export const filesOf = (tx: Transaction, about: FileSubject, aboutId: string): Promise<FileShown[]> =>
  tx
    .select({ id: keptFile.id, name: keptFile.name, mime: keptFile.mime, keptBy: keptFile.keptBy, keptAt: keptFile.keptAt })
    .from(keptFile)
    .where(and(eq(keptFile.about, about), eq(keptFile.aboutId, aboutId), isNull(keptFile.takenAwayAt)))
    .orderBy(asc(keptFile.keptAt), asc(keptFile.id));

/** The bytes of a file that was not taken away; undefined where there is none. */
export async function fileBytes(
  tx: Transaction,
  id: string,
): Promise<{ name: string; mime: FileMime; bytes: Buffer } | undefined> {
  if (!isId(id)) return undefined;
  const [row] = await tx
    .select({ name: keptFile.name, mime: keptFile.mime, bytes: keptFile.bytes })
    .from(keptFile)
    .where(and(eq(keptFile.id, id), isNull(keptFile.takenAwayAt)));
  return row;
}

async function held({ tx }: UseCaseContext, id: string) {
  const [row] = await tx
    .select({ id: keptFile.id, gone: sql<boolean>`${keptFile.takenAwayAt} is not null` })
    .from(keptFile)
    .where(eq(keptFile.id, id))
    .for('update');
  if (!row) throw new Problem(say({ code: 'files.unknown' }), {}, 404);
  if (row.gone) throw new Problem(say({ code: 'files.away' }), {}, 409);
}

/** It is seen no more; who audits still finds it. Errors: Problem (403), (404), (409). */
export async function takeFileAway(context: UseCaseContext, { fileId, why }: { fileId: string; why: string }): Promise<void> {
  need(context.actor, 'receive');
  await held(context, fileId);
  await context.tx
    .update(keptFile)
    .set({ takenAwayWhy: why, takenAwayBy: context.actor.name, takenAwayAt: context.now })
    .where(eq(keptFile.id, fileId));
}

/** Another name for what it shows. Errors: Problem (403), (404), (409). */
export async function renameFile(context: UseCaseContext, { fileId, name }: { fileId: string; name: string }): Promise<void> {
  need(context.actor, 'receive');
  await held(context, fileId);
  await context.tx.update(keptFile).set({ name }).where(eq(keptFile.id, fileId));
}
