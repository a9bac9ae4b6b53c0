import { eq } from 'drizzle-orm';
import { subDays } from 'date-fns';
import { leaveStepOut } from '@/core/procedure/edit-steps';
import type { Procedure } from '@/core/procedure/procedure';
import type { Actor } from '@/core/record/event';
import type { Database, Transaction } from '@/data/connection';
import { instrumentModel, ownProcedure } from '@/data/schema';
import { createModel } from '@/features/models/server';
import { copyProcedure, keepDraft, releaseProcedure, walkDraft } from '@/features/procedures/server';
import { dateIn } from '@/platform/clock';

type As = <T>(actor: Actor, work: (tx: Transaction) => Promise<T>) => Promise<T>;
const FROM = 'single-gas-co-monitor';

/** Procedures of the workshop's own: one that is released and worked by, and a draft whose valve nobody shuts, copied from a version that was corrected since. */
export async function ownProcedures(
  db: Database,
  as: As,
  people: { technician: Actor; signatory: Actor },
  now: Date,
): Promise<void> {
  const { technician, signatory } = people;
  const copy = (title: string) =>
    as(technician, (tx) => copyProcedure({ tx, actor: technician, now: subDays(now, 9) }, { procedureId: FROM, title }));
  const change = (id: string, work: (draft: Procedure) => Procedure) =>
    as(technician, async (tx) => {
      const [row] = await tx.select().from(ownProcedure).where(eq(ownProcedure.id, id));
      await keepDraft(
        { tx, actor: technician, now: subDays(now, 8) },
        { procedureId: id, rowVersion: row!.rowVersion, draft: work(row!.draft!) },
      );
    });

  const cold = await copy('CO monitor out of a cold van');
  await change(cold.id, (draft) => ({
    ...draft,
    steps: [
      {
        id: 'rest',
        kind: 'wait',
        title: 'Let it warm through',
        minSeconds: 1800,
        reason: 'A cell from a van in frost reads low for half an hour.',
      },
      ...draft.steps,
    ],
  }));
  await walkDraft(db, cold.id, now);
  await as(signatory, async (tx) => {
    const [row] = await tx.select().from(ownProcedure).where(eq(ownProcedure.id, cold.id));
    await releaseProcedure(
      { tx, actor: signatory, now: subDays(now, 7) },
      {
        procedureId: cold.id,
        rowVersion: row!.rowVersion,
        note: 'Half an hour at room temperature before anything counts.',
        tried: 'Two OF-120 from 2 °C, read at once and after 30 min against the bottle of 100 ppm.',
        result: 'Fit: at once 8 to 11 ppm low, after 30 min within 2 ppm.',
        validatedOn: dateIn('UTC', subDays(now, 8)),
        validatedBy: technician.name,
      },
    );
    const [like] = await tx.select().from(instrumentModel).where(eq(instrumentModel.name, 'OF-120'));
    if (!like) return;
    const { maker, kind, traits, channels } = like;
    await createModel(
      { tx, actor: signatory, now: subDays(now, 7) },
      {
        maker,
        name: 'OF-122',
        kind,
        procedureId: cold.id,
        notes: 'For vans: the same monitor with a winter filter.',
        traits,
        channels,
      },
    );
  });

  const short = await copy('CO monitor, shorter day');
  await as(technician, async (tx) => {
    const [row] = await tx.select().from(ownProcedure).where(eq(ownProcedure.id, short.id));
    const base = row!.basedDocument!;
    // As it shipped before: its method and its first caution were corrected since.
    const older: Procedure = {
      ...base,
      version: base.version - 1,
      method: 'Comparison with a gas mixture.',
      cautions: base.cautions.slice(1),
    };
    await tx
      .update(ownProcedure)
      .set({
        basedDocument: older,
        draft: { ...row!.draft!, method: 'Comparison with one gas mixture, short.', cautions: older.cautions },
      })
      .where(eq(ownProcedure.id, short.id));
  });
  await change(short.id, (draft) => {
    const off = draft.steps.find((step) => step.kind === 'stimulus' && !step.on);
    return off ? { ...draft, steps: leaveStepOut(draft.steps, [off.id]) } : draft;
  });
  await walkDraft(db, short.id, now);
}
