import { createHash, randomBytes } from 'node:crypto';
import { desc, eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { programToken, programUse, type ProgramScope } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/programs';

/** What a token begins with: whoever finds one lying about knows what it is. */
const MARK = 'wbp_';
export const digestOf = (token: string): string => createHash('sha256').update(token).digest('hex');

export interface NewToken {
  name: string;
  scopes: ProgramScope[];
  goodUntil: string;
}

/** Makes a token for a program that reads; it is given once, and only its digest is kept. Errors: Problem (403). */
export async function makeToken(context: UseCaseContext, { name, scopes, goodUntil }: NewToken): Promise<{ token: string }> {
  need(context.actor, 'office');
  const token = MARK + randomBytes(24).toString('base64url');
  await context.tx
    .insert(programToken)
    .values({ name, scopes, goodUntil, digest: digestOf(token), madeBy: context.actor.name, madeAt: context.now });
  return { token };
}

/** From now on nothing is read by it. Errors: Problem (403), (404), (409). */
export async function endToken(context: UseCaseContext, { tokenId }: { tokenId: string }): Promise<void> {
  need(context.actor, 'office');
  await standing(context, tokenId);
  await context.tx
    .update(programToken)
    .set({ endedAt: context.now, endedBy: context.actor.name })
    .where(eq(programToken.id, tokenId));
}

/** Another name, or another last day. Errors: Problem (403), (404), (409) for one that has ended. */
export async function changeToken(
  context: UseCaseContext,
  { tokenId, name, goodUntil }: { tokenId: string; name: string; goodUntil: string },
): Promise<void> {
  need(context.actor, 'office');
  await standing(context, tokenId);
  await context.tx.update(programToken).set({ name, goodUntil }).where(eq(programToken.id, tokenId));
}

async function standing({ tx }: UseCaseContext, tokenId: string): Promise<void> {
  const [row] = await tx.select().from(programToken).where(eq(programToken.id, tokenId)).for('update');
  if (!row) throw new Problem(say({ code: 'programs.unknown' }), {}, 404);
  if (row.endedAt) throw new Problem(say({ code: 'programs.already' }), {}, 409);
}

export type TokenShown = Omit<typeof programToken.$inferSelect, 'digest'> & { lastUsedAt: Date | null };

/** Every program that reads or did, the newest first. */
export async function listTokens(tx: Transaction): Promise<TokenShown[]> {
  const rows = await tx
    .select({ token: programToken, lastUsedAt: programUse.lastAt })
    .from(programToken)
    .leftJoin(programUse, eq(programUse.tokenId, programToken.id))
    .orderBy(desc(programToken.madeAt))
    .limit(200);
  return rows.map(({ token: { digest: _digest, ...row }, lastUsedAt }) => ({ ...row, lastUsedAt }));
}
