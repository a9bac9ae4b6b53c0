import { eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import { reference, referenceCheck } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { readSettings } from '@/platform/settings';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { stampOf } from '../input-of';
import type { ReferenceInput } from '../shelf-schema';
import { valuesOf } from './values-of';
import '@/core/words/en/shelf';

/** What a certificate says of it: with another one somebody looks at it again before it is used (ISO/IEC 17025:2017, 6.4.4). */
const CERTIFIED = ['components', 'certificate', 'issuer', 'traceability', 'expires', 'lot'] as const;

interface Correction {
  id: string;
  input: ReferenceInput;
  why: string;
  /** What was on record when the form was opened. */
  seen: string;
}

/**
 * Corrects what was entered of a bottle or a piece of equipment. Runs keep what they took at their time, and so do their documents; where something changes that its certificate states, it is accepted anew before its next use.
 * Errors: Problem (403), (404); (409) where nothing differs, the lot stands there already, or somebody else changed it since.
 */
export async function correctReference(
  { tx, now, actor }: UseCaseContext,
  { id, input, why, seen }: Correction,
): Promise<{ lapsed: boolean }> {
  need(actor, 'bench');
  const [row] = await tx.select().from(reference).where(eq(reference.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'shelf.unknown' }), {}, 404);
  if (stampOf(row) !== seen) throw new Problem(say({ code: 'shelf.meanwhile' }), {}, 409, { code: 'changedMeanwhile' });
  if (input.kind !== row.kind || input.role !== row.role)
    throw new Problem(say({ code: 'shelf.otherKind' }), { kind: say({ code: 'shelf.otherKind' }) }, 409);
  const values = valuesOf(input, dateIn((await readSettings(tx)).zone, now));
  const differs = (name: keyof typeof values) => JSON.stringify(values[name] ?? null) !== JSON.stringify(row[name] ?? null);
  if (stampOf({ ...row, ...values }) === seen) throw new Problem(say({ code: 'shelf.nothing' }), {}, 409);
  const lapsed = row.accepted !== null && CERTIFIED.some(differs);
  try {
    await tx
      .update(reference)
      .set({ ...values, ...(lapsed ? { accepted: null } : {}) })
      .where(eq(reference.id, id));
  } catch (error) {
    if (violatedUnique(error) === 'reference_lot')
      throw new Problem(
        say({ code: 'shelf.taken', numbers: { name: input.name, lot: input.lot } }),
        { lot: say({ code: 'shelf.takenHere' }) },
        409,
      );
    throw error;
  }
  await tx.insert(referenceCheck).values({ referenceId: id, at: now, by: actor.name, what: 'corrected', note: why });
  return { lapsed };
}
