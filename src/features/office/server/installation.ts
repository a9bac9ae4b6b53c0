import { desc, eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { installationCheck } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { software } from '@/platform/software';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/installation';

/** Which program this installation runs, as its documents say it. */
export const installed = (): string => {
  const { version, commit } = software();
  return `${version} (${commit.slice(0, 12)})`;
};

export interface InstallationTried {
  tried: string;
  result: string;
  checkedBy: string;
  checkedOn: string;
}

/** Notes that the version that runs was tried. Errors: Problem (403). */
export async function noteInstallation(context: UseCaseContext, input: InstallationTried): Promise<void> {
  need(context.actor, 'office');
  await context.tx
    .insert(installationCheck)
    .values({ ...input, software: installed(), notedBy: context.actor.name, notedAt: context.now });
}

/** A record that was wrong counts no more; it stays readable. Errors: Problem (403), (404), (409). */
export async function withdrawInstallation(
  context: UseCaseContext,
  { checkId, why }: { checkId: string; why: string },
): Promise<void> {
  need(context.actor, 'office');
  const [row] = await context.tx.select().from(installationCheck).where(eq(installationCheck.id, checkId)).for('update');
  if (!row) throw new Problem(say({ code: 'installation.unknown' }), {}, 404);
  if (row.withdrawnAt) throw new Problem(say({ code: 'installation.already' }), {}, 409);
  await context.tx
    .update(installationCheck)
    .set({ withdrawnWhy: why, withdrawnBy: context.actor.name, withdrawnAt: context.now })
    .where(eq(installationCheck.id, checkId));
}

/** Every record, the newest first, and whether the version that runs has one that counts. */
export async function installationChecks(tx: Transaction) {
  const checks = await tx.select().from(installationCheck).orderBy(desc(installationCheck.notedAt)).limit(100);
  const now = installed();
  return { now, tried: checks.some((one) => one.software === now && !one.withdrawnAt), checks };
}
