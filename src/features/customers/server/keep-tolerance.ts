import { and, asc, eq, isNull } from 'drizzle-orm';
import { toleranceProblems } from '@/core/stored/tolerance-problems';
import type { Tolerance } from '@/core/record/tolerance';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { customerTolerance, instrumentModel } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { ToleranceInput } from '../customer-schema';
import { heldCustomer, requireKeeper } from './keep-customer';
import '@/core/words/en/customers';
import '@/core/words/en/models';

/** Tolerances agreed with a customer that hold now, of one model where asked. */
export async function agreedTolerances(tx: Transaction, customerId: string, modelId?: string) {
  const rows = await tx
    .select({
      row: customerTolerance,
      maker: instrumentModel.maker,
      model: instrumentModel.name,
      channels: instrumentModel.channels,
    })
    .from(customerTolerance)
    .innerJoin(instrumentModel, eq(instrumentModel.id, customerTolerance.modelId))
    .where(
      and(
        eq(customerTolerance.customerId, customerId),
        modelId ? eq(customerTolerance.modelId, modelId) : undefined,
        isNull(customerTolerance.endedAt),
      ),
    )
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name), asc(customerTolerance.role));
  return rows.map(({ row, maker, model, channels }) => {
    const channel = channels.find((one) => one.role === row.role);
    return { ...row, maker, model, label: channel?.label ?? row.role, unit: channel?.unit ?? '' };
  });
}

const stated = ({ absolute, percentOfTarget, zero }: ToleranceInput['tolerance']): Tolerance => ({
  ...(absolute ? { absolute } : {}),
  ...(percentOfTarget ? { percentOfTarget } : {}),
  ...(zero ? { zero } : {}),
});

/**
 * Agrees a tolerance with a customer for a channel of a model, or changes the one that holds. Runs that began keep the one that they began with.
 * Errors: Problem (403), (404) for a customer, model or channel that isn't there; (409) with `fields` for a tolerance that can't be judged.
 */
export async function keepTolerance(context: UseCaseContext, input: ToleranceInput): Promise<void> {
  requireKeeper(context);
  const { tx, now, actor } = context;
  await heldCustomer(context, input.customerId);
  const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, input.modelId));
  const channel = model?.channels.find((one) => one.role === input.role);
  if (!channel) throw new Problem(say({ code: 'agreed.noChannel' }), { role: say({ code: 'agreed.noChannel' }) }, 404);
  const tolerance = stated(input.tolerance);
  const problems = toleranceProblems({ tolerance, resolution: channel.resolution, unit: channel.unit });
  if (problems.length)
    throw new Problem(
      say({ code: 'agreed.cannot' }),
      Object.fromEntries(problems.map(({ field, code, numbers }) => [field, say({ code, ...(numbers ? { numbers } : {}) })])),
      409,
    );
  const { agreedOn, agreedWith } = input;
  const changed = await tx
    .update(customerTolerance)
    .set({ tolerance, agreedOn, agreedWith })
    .where(
      and(
        eq(customerTolerance.customerId, input.customerId),
        eq(customerTolerance.modelId, input.modelId),
        eq(customerTolerance.role, input.role),
        isNull(customerTolerance.endedAt),
      ),
    )
    .returning({ id: customerTolerance.id });
  if (changed.length) return;
  await tx.insert(customerTolerance).values({ ...input, tolerance, madeBy: actor.name, madeAt: now });
}

/** Ends an agreed tolerance: the model's holds again for runs that begin from now on. Errors: Problem (403), (404). */
export async function endTolerance(context: UseCaseContext, { toleranceId }: { toleranceId: string }): Promise<void> {
  requireKeeper(context);
  const { tx, now, actor } = context;
  const rows = await tx
    .update(customerTolerance)
    .set({ endedAt: now, endedBy: actor.name })
    .where(and(eq(customerTolerance.id, toleranceId), isNull(customerTolerance.endedAt)))
    .returning({ id: customerTolerance.id });
  if (rows.length === 0) throw new Problem(say({ code: 'agreed.unknown' }), {}, 404);
}
