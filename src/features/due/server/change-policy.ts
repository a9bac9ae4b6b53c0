import { and, eq } from 'drizzle-orm';
import type { Every } from '@/core/interval/next-due';
import { say } from '@/core/words/say';
import { asset, intervalPolicy } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { countAnew } from './next-due';
import '@/core/words/en/due';

export interface PolicyChange {
  scope: 'asset' | 'customerModel' | 'customer' | 'model';
  assetId?: string;
  customerId?: string;
  modelId?: string;
  every: Every | null;
  reason: string;
}

interface Changed {
  /** Stored due dates that moved. */
  moved: number;
  before: { every: Every; reason: string } | null;
}

/** Sets, changes or (every null) removes a policy, and counts the stored due dates anew that it touches; without permission and audit. */
export async function putPolicy({ tx }: Pick<UseCaseContext, 'tx'>, change: PolicyChange): Promise<Changed> {
  const { scope, assetId, customerId, modelId } = change;
  const key = and(
    eq(intervalPolicy.scope, scope),
    scope === 'asset' ? eq(intervalPolicy.assetId, assetId!) : undefined,
    scope === 'customerModel' || scope === 'customer' ? eq(intervalPolicy.customerId, customerId!) : undefined,
    scope === 'customerModel' || scope === 'model' ? eq(intervalPolicy.modelId, modelId!) : undefined,
  );
  const [before] = await tx
    .delete(intervalPolicy)
    .where(key)
    .returning({ every: intervalPolicy.every, reason: intervalPolicy.reason });
  if (change.every) {
    await tx.insert(intervalPolicy).values({
      scope,
      every: change.every,
      reason: change.reason,
      assetId: scope === 'asset' ? assetId! : null,
      customerId: scope === 'customer' || scope === 'customerModel' ? customerId! : null,
      modelId: scope === 'model' || scope === 'customerModel' ? modelId! : null,
    });
  }
  const touched = await tx
    .select()
    .from(asset)
    .where(
      and(
        scope === 'asset' ? eq(asset.id, assetId!) : undefined,
        scope === 'customer' || scope === 'customerModel' ? eq(asset.customerId, customerId!) : undefined,
        scope === 'model' || scope === 'customerModel' ? eq(asset.modelId, modelId!) : undefined,
      ),
    );
  let moved = 0;
  for (const row of touched) if (await countAnew({ tx }, row.id)) moved += 1;
  return { moved, before: before ?? null };
}

/**
 * Sets, changes or (every null) takes away the interval of an instrument, a model, a customer or a customer's model; the audit says from what to what and how many dates moved.
 * Errors: Problem (403) for who doesn't work at the bench.
 */
export async function changePolicy(context: UseCaseContext, change: PolicyChange): Promise<{ moved: number }> {
  if (!may(context.actor.role, 'bench')) throw new Problem(say({ code: 'policy.forbidden' }), {}, 403);
  const { moved, before } = await putPolicy(context, change);
  const { scope, assetId, customerId, modelId, every, reason } = change;
  await recordAudit(context, 'changePolicy', scope, {
    ...(assetId ? { assetId } : {}),
    ...(customerId ? { customerId } : {}),
    ...(modelId ? { modelId } : {}),
    before,
    after: every ? { every, reason } : null,
    moved,
  });
  return { moved };
}
