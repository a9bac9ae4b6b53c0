import { desc, eq } from 'drizzle-orm';
import { reasonOf } from '@/core/results/reason';
import type { Language } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { run } from '@/data/schema';
import { inLanguage } from '@/procedures/in-language';
import { loadRun } from './run-store';
import '@/core/words/de';

/** Why an instrument is out of use, in a language: said anew from the run that put it there. What somebody typed, or what rests on no run, stays as it was written. */
export async function whyInLanguage(
  tx: Transaction,
  { assetId, why }: { assetId: string; why: string },
  language: Language,
): Promise<string> {
  if (language === 'en' || !why) return why;
  const [last] = await tx
    .select({ id: run.id })
    .from(run)
    .where(eq(run.assetId, assetId))
    .orderBy(desc(run.createdAt), desc(run.id))
    .limit(1);
  const loaded = last ? await loadRun(tx, last.id) : null;
  if (!loaded || reasonOf(loaded.procedure, loaded.state) !== why) return why;
  const worded = inLanguage(loaded.procedure, loaded.state, language);
  return reasonOf(worded.procedure, worded.state, language);
}
