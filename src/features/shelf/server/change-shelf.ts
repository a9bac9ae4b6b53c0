import { eq } from 'drizzle-orm';
import type { InferType } from 'yup';
import { violatedUnique } from '@/data/database-problem';
import { reference, referenceCheck } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { supplierStands } from '@/platform/supplier-stands';
import { readSettings } from '@/platform/settings';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { say } from '@/core/words/say';
import { openNonconformity } from '@/features/register/server';
import '@/core/words/en/register';
import '@/core/words/en/suppliers';
import { lastDayOf, type checkSchema, type ReferenceInput } from '../shelf-schema';
import { valuesOf } from './values-of';

/** A new bottle or piece of equipment on the shelf. The same lot of the same name stands there once. */
export async function addReference(
  { tx, now, actor }: UseCaseContext,
  input: ReferenceInput,
  { ofTable = false }: { ofTable?: boolean } = {},
): Promise<{ id: string }> {
  need(actor, 'bench');
  try {
    const [row] = await tx
      .insert(reference)
      .values({
        ...valuesOf(input, dateIn((await readSettings(tx)).zone, now)),
        createdAt: now,
      })
      .returning({ id: reference.id });
    // A check is never taken away: what came with a table goes with it as long as nobody looked at it. Who took it in, the table says.
    if (!ofTable) await tx.insert(referenceCheck).values({ referenceId: row!.id, at: now, by: actor.name, what: 'made' });
    return row!;
  } catch (error) {
    if (violatedUnique(error) === 'reference_lot')
      throw new Problem(`${input.name}, lot ${input.lot}, stands on the shelf already.`, { lot: 'On the shelf already.' }, 409);
    throw error;
  }
}

/** A reading of the gauge, a check of a piece of equipment, or its state. Each stays on record. */
export async function noteCheck(
  { tx, now, actor }: UseCaseContext,
  { id, what, value, result, note, nextDue }: InferType<typeof checkSchema>,
): Promise<void> {
  need(actor, 'bench');
  const [row] = await tx.select().from(reference).where(eq(reference.id, id)).for('update');
  if (!row) throw new Problem('This is not on the shelf.', {}, 404);
  if (what === 'pressure' && !row.waterVolumeL)
    throw new Problem('Without the water volume a pressure says nothing about what is left.', {
      value: 'No water volume on record.',
    });
  if (what === 'pressure' && Number(value) > 400)
    throw new Problem('No bottle of this kind holds that.', { value: '0 to 400 bar.' });
  if (what === 'opened' && row.openedOn)
    throw new Problem(`It was opened on ${row.openedOn} already.`, { what: 'Opened already.' }, 409);
  if (what === 'opened')
    await tx
      .update(reference)
      .set({ openedOn: dateIn((await readSettings(tx)).zone, now) })
      .where(eq(reference.id, id));
  if (what === 'accepted') await accept({ tx, now, actor }, row, note);
  if (what !== 'pressure' && what !== 'opened' && what !== 'accepted' && !result)
    throw new Problem('Say what came of it.', { result: 'Choose one.' });
  if (result === 'fault' && !note) throw new Problem('Say what is wrong.', { note: 'Say what is wrong.' });
  await tx
    .insert(referenceCheck)
    .values({ referenceId: id, at: now, by: actor.name, what: what as 'pressure', value, result, note });
  if (what === 'state')
    await tx
      .update(reference)
      .set({ state: result as 'good' })
      .where(eq(reference.id, id));
  // What was out of use or away is looked at again before it is used.
  if ((what === 'state' && result === 'outOfUse') || (what === 'check' && result === 'pass' && nextDue))
    await tx.update(reference).set({ accepted: null }).where(eq(reference.id, id));
  if (what === 'check' && result === 'fault')
    await openNonconformity(
      { tx, now, actor },
      {
        kind: 'failedCheck',
        what: say({ code: 'register.checkWhat', numbers: { name: row.name, lot: row.lot, note } }),
        referenceId: id,
      },
    );
  if (what === 'check' && result === 'fault') await tx.update(reference).set({ state: 'outOfUse' }).where(eq(reference.id, id));
  if (what === 'check' && result === 'pass' && nextDue)
    await tx
      .update(reference)
      .set({ expires: lastDayOf(nextDue), state: 'good' })
      .where(eq(reference.id, id));
}

/** A new or returned reference is checked before its first use (ISO/IEC 17025:2017, 6.4.4): how, by whom, when. Without a certificate there is nothing to accept. */
async function accept({ tx, now, actor }: UseCaseContext, row: typeof reference.$inferSelect, note: string): Promise<void> {
  if (!row.certificate?.trim() || !row.traceability?.trim())
    throw new Problem('Without certificate and traceability it can’t be accepted.', {
      note: 'Certificate or traceability is missing on record.',
    });
  // An evaluation binds: what a barred supplier delivers is not put to use (6.6.2).
  const stands = await supplierStands(tx, row.maker || (row.issuer ?? ''));
  if (stands?.verdict === 'barred') {
    const said = say({ code: 'supplier.barredHere', numbers: { supplier: stands.supplier, why: stands.why } });
    throw new Problem(said, { note: said }, 409);
  }
  if (!note.trim()) throw new Problem('Say how it was checked.', { note: 'Compared with what, and what came of it?' });
  await tx
    .update(reference)
    .set({ accepted: { on: dateIn((await readSettings(tx)).zone, now), by: actor.name, note } })
    .where(eq(reference.id, row.id));
}
