import { eq } from 'drizzle-orm';
import type { Every } from '@/core/interval/next-due';
import { say } from '@/core/words/say';
import { asset } from '@/data/schema';
import { changePolicy, policiesOfMany } from '@/features/due/server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { adviceSentence, everyText } from '../advice-sentence';
import { advise, keepAdvice } from './advise';
import '@/core/words/en/advice';

/**
 * Takes advice over as an interval of this instrument's own, with the advice as its reason; a limit of uses stays. What was seen has to be what is advised now.
 * Errors: Problem (403); (404) for no such instrument; (409) where nothing is advised, or something else meanwhile.
 */
export async function takeAdvice(
  context: UseCaseContext,
  { assetId, seen }: { assetId: string; seen: Every },
): Promise<{ due: string | null }> {
  const { tx, actor, now } = context;
  need(actor, 'bench');
  const [row] = await tx
    .select({ id: asset.id, customerId: asset.customerId, modelId: asset.modelId })
    .from(asset)
    .where(eq(asset.id, assetId))
    .for('update');
  if (!row) throw new Problem(say({ code: 'advice.nothing' }), {}, 404);
  const [advised] = await advise(tx, [row], await readSettings(tx));
  const advice = advised?.advice;
  if (!advice?.every || !advised?.present || advice.code === 'keep' || advice.code === 'tooFew')
    throw new Problem(say({ code: 'advice.nothing' }), {}, 409);
  if (everyText(advice.every) !== everyText(seen))
    throw new Problem(say({ code: 'advice.changed', numbers: { every: everyText(advice.every) } }), {}, 409);
  const uses = (await policiesOfMany(tx, [row])).get(assetId)?.every.uses;
  await changePolicy(context, {
    scope: 'asset',
    assetId,
    every: { ...advice.every, ...(uses ? { uses } : {}) },
    reason: adviceSentence(advice, advised.present),
  });
  await keepAdvice(tx, [assetId], now);
  const [after] = await tx.select({ due: asset.nextDue }).from(asset).where(eq(asset.id, assetId));
  return { due: after?.due ?? null };
}
