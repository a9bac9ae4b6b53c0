import { eq } from 'drizzle-orm';
import { MONTH } from '@/core/history/advise-interval';
import { wilsonInterval } from '@/core/uncertainty/wilson';
import type { Transaction } from '@/data/connection';
import { modelHistory } from '@/data/schema';

/** What the instruments of a model say together; null before the first night, or where none was calibrated yet. */
export async function modelOutlook(tx: Transaction, modelId: string) {
  const [row] = await tx.select().from(modelHistory).where(eq(modelHistory.modelId, modelId));
  if (!row || row.visits === 0) return null;
  const { within, visits, lives, fails, drift, madeAt } = row;
  const { lower, upper } = wilsonInterval({ successes: within, trials: visits, confidence: 0.95 });
  return {
    madeAt,
    within,
    visits,
    lower,
    upper,
    lives: Object.entries(lives).map(([role, one]) => ({ role, ...one })),
    fails,
    drift: Object.entries(drift).map(([role, one]) => ({
      role,
      label: one.label,
      sensors: one.sensors,
      steps: one.steps,
      perMonth: one.rate * MONTH,
      /** From sensor to sensor, one standard deviation. */
      spread: Math.sqrt(one.between) * MONTH,
      noise: Math.sqrt(one.noise),
    })),
  };
}
export type ModelOutlook = NonNullable<Awaited<ReturnType<typeof modelOutlook>>>;
