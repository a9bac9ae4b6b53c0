import { and, asc, eq, isNull } from 'drizzle-orm';
import { UNITS_OF } from '@/core/quantity/unit';
import { isMeasurand } from '@/core/quantity/unit';
import type { ScopeEntry } from '@/core/uncertainty/scope';
import type { Transaction } from '@/data/connection';
import { scopeEntry } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { ScopeInput } from '../schemas';

type Row = typeof scopeEntry.$inferSelect;
const figures = ({ measurand, unit, lowest, highest, smallest, form }: Row | ScopeInput) =>
  `${measurand}, ${lowest} to ${highest} ${unit}: U from ${smallest} ${form === 'percent' ? '%' : unit}`;

/** Lines of the scope, those that stand first; with `ended` those that ended too. */
export const listScope = (tx: Transaction, { ended = false }: { ended?: boolean } = {}): Promise<Row[]> =>
  tx
    .select()
    .from(scopeEntry)
    .where(ended ? undefined : isNull(scopeEntry.endedAt))
    .orderBy(asc(scopeEntry.measurand), asc(scopeEntry.lowest), asc(scopeEntry.id));

/** The scope ready to be frozen into a run. */
export async function scopeNow(tx: Transaction): Promise<ScopeEntry[]> {
  return (await listScope(tx)).map(({ measurand, unit, lowest, highest, smallest, form }) => ({
    measurand,
    unit,
    lowest,
    highest,
    smallest,
    form,
  }));
}

/** States a line of the scope, or puts one in the place of another. Runs that were begun keep the scope that they were begun with. */
export async function stateScope(context: UseCaseContext, given: ScopeInput): Promise<void> {
  need(context.actor, 'approve');
  const { tx, actor, now } = context;
  const { measurand, unit, lowest, highest, smallest, form, replaces } = given;
  if (!isMeasurand(measurand)) throw new Problem('There is no such quantity.', { measurand: 'Choose one of the list.' });
  if (!(UNITS_OF[measurand] as readonly string[]).includes(unit))
    throw new Problem(`${unit} is no unit of ${measurand}.`, { unit: `One of ${UNITS_OF[measurand].join(', ')}.` });
  const before = replaces === null ? null : await standing(context, replaces);
  const twice = (await listScope(tx)).find(
    (one) =>
      one.id !== replaces &&
      one.measurand === measurand &&
      one.unit === unit &&
      Number(one.lowest) < Number(highest) &&
      Number(lowest) < Number(one.highest),
  );
  if (twice) throw new Problem('This range is claimed already.', { lowest: `Overlaps ${figures(twice)}.` }, 409);
  if (before) await end(context, before, 'replaced');
  await tx.insert(scopeEntry).values({ measurand, unit, lowest, highest, smallest, form, at: now, by: actor.name });
  await recordAudit({ tx, actor, now }, 'scopeStated', measurand, {
    from: before ? figures(before) : null,
    to: figures(given),
  });
}

/** Ends a line: results there are outside the scope from then on, or no scope is stated at all. */
export async function endScope(context: UseCaseContext, { id, reason }: { id: number; reason: string }): Promise<void> {
  need(context.actor, 'approve');
  const row = await standing(context, id);
  await end(context, row, reason);
  const { tx, actor, now } = context;
  await recordAudit({ tx, actor, now }, 'scopeEnded', row.measurand, { from: figures(row), to: null, reason });
}

async function standing({ tx }: UseCaseContext, id: number): Promise<Row> {
  const [row] = await tx
    .select()
    .from(scopeEntry)
    .where(and(eq(scopeEntry.id, id), isNull(scopeEntry.endedAt)))
    .for('update');
  if (!row) throw new Problem('This line of the scope has ended already: somebody was quicker.', {}, 409);
  return row;
}

const end = ({ tx, actor, now }: UseCaseContext, { id }: Row, why: string) =>
  tx.update(scopeEntry).set({ endedAt: now, endedBy: actor.name, endedWhy: why }).where(eq(scopeEntry.id, id));
