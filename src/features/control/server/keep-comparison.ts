import { desc, eq } from 'drizzle-orm';
import Papa from 'papaparse';
import type { InferType } from 'yup';
import { enScore } from '@/core/control/en-score';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { comparison } from '@/data/schema';
import { openNonconformity } from '@/features/register/server';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import type { comparisonSchema, strikeComparisonSchema } from '../control-schema';
import '@/core/words/en/control';

/** A comparison with another laboratory; where the two don't agree an entry of the register is opened. Errors: Problem (403); (400) beside a day that lies ahead. */
export async function keepComparison(
  context: UseCaseContext,
  given: InferType<typeof comparisonSchema>,
): Promise<{ id: string; score: number; agrees: boolean }> {
  const { tx, actor, now } = context;
  need(actor, 'bench');
  if (given.onDay > dateIn((await readSettings(tx)).zone, now))
    throw new Problem(say({ code: 'control.ahead' }), { onDay: say({ code: 'control.ahead' }) });
  const { score, agrees } = scoreOf(given);
  const [row] = await tx
    .insert(comparison)
    .values({ ...given, madeAt: now, madeBy: actor.name })
    .returning({ id: comparison.id });
  if (!agrees)
    await openNonconformity(context, {
      kind: 'other',
      what: say({ code: 'control.disagrees', numbers: { what: given.what, whom: given.withWhom, score: score.toFixed(2) } }),
    });
  return { id: row!.id, score, agrees };
}

const scoreOf = (one: { value: string; expanded: string; reference: string; referenceExpanded: string }) =>
  enScore({
    value: Number(one.value),
    expanded: Number(one.expanded),
    reference: Number(one.reference),
    referenceExpanded: Number(one.referenceExpanded),
  });

/** One that was entered wrong is struck, with why. Errors: Problem (403), (404); (409) for one that is struck. */
export async function strikeComparison(
  { tx, actor, now }: UseCaseContext,
  { id, why }: InferType<typeof strikeComparisonSchema>,
): Promise<void> {
  need(actor, 'bench');
  const [row] = await tx.select().from(comparison).where(eq(comparison.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'control.noPoint' }), {}, 404);
  if (row.struckAt) throw new Problem(say({ code: 'control.struck' }), {}, 409);
  await tx.update(comparison).set({ struckAt: now, struckBy: actor.name, struckWhy: why }).where(eq(comparison.id, id));
}

const SHOWN = 100;
/** Comparisons with their Eₙ scores, the newest first. */
export async function listComparisons(tx: Transaction) {
  const rows = await tx.select().from(comparison).orderBy(desc(comparison.onDay), desc(comparison.madeAt)).limit(SHOWN);
  return rows.map((row) => ({ ...row, ...scoreOf(row) }));
}
export type ComparisonLine = Awaited<ReturnType<typeof listComparisons>>[number];

export async function comparisonsCsv(tx: Transaction): Promise<string> {
  const rows = await listComparisons(tx);
  return Papa.unparse(
    {
      fields: [
        'day',
        'with',
        'what',
        'unit',
        'value',
        'expanded',
        'reference',
        'reference_expanded',
        'en_score',
        'agrees',
        'note',
        'by',
        'struck',
      ],
      data: rows.map((row) => [
        row.onDay,
        row.withWhom,
        row.what,
        row.unit,
        row.value,
        row.expanded,
        row.reference,
        row.referenceExpanded,
        row.score.toFixed(3),
        row.agrees ? 'yes' : 'no',
        row.note,
        row.madeBy,
        row.struckWhy ?? '',
      ]),
    },
    { escapeFormulae: true },
  );
}
