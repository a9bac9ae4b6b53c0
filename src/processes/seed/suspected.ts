import { subDays } from 'date-fns';
import { sql } from 'drizzle-orm';
import type { Actor } from '@/core/record/event';
import { Dec } from '@/core/quantity/decimal';
import type { Database, Transaction } from '@/data/connection';
import { reference } from '@/data/schema';
import { judgeSuspicion, suspect } from '@/features/recall/server';

type As = <T>(actor: Actor, work: (tx: Transaction) => Promise<T>) => Promise<T>;

/** A bottle that ran out weeks ago turns out to have held less hydrogen sulphide than its certificate says: what rests on it was judged anew, and waits for the signatory. */
export async function suspectedBottle(db: Database, as: As, technician: Actor, now: Date): Promise<void> {
  const [row] = await db
    .select({ id: reference.id, components: reference.components })
    .from(reference)
    .where(
      sql`${reference.kind} = 'gas' and ${reference.components} @> '[{"substance":"H2S"}]'
        and (select count(*) from run_reference u where u.reference_id = ${reference.id}) between 5 and 60`,
    )
    .orderBy(sql`(select count(*) from run_reference u where u.reference_id = ${reference.id}), ${reference.lot}`)
    .limit(1);
  if (!row) return;
  const certified = row.components.find((one) => one.substance === 'H2S')!.value;
  const { id } = await as(technician, (tx) =>
    suspect(
      { tx, actor: technician, now: subDays(now, 1) },
      {
        referenceId: row.id,
        why: 'The supplier writes that the hydrogen sulphide of this filling had faded; a second bottle bears it out.',
        doubts: [{ substance: 'H2S', kind: 'value', value: new Dec(certified).times('0.88').toFixed(1) }],
      },
    ),
  );
  await judgeSuspicion(db, id, now);
}
