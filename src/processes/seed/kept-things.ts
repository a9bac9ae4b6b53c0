import { asc, eq, ne } from 'drizzle-orm';
import { addYears, format, subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { reference, ticket } from '@/data/schema';
import { keepFile } from '@/features/files/server';
import { makeToken } from '@/features/programs/server';
import { drawDefinition } from '@/platform/pdf';

const paper = (title: string, lines: string[]): Promise<Buffer> =>
  drawDefinition({
    info: { title },
    defaultStyle: { font: 'Sans', fontSize: 11 },
    content: [{ text: title, fontSize: 16, margin: [0, 0, 0, 12] }, ...lines],
  });

/** Papers beside a bottle and a visit, and a program of the workshop that reads what is due. */
export async function keptThings(
  tx: Transaction,
  { technician, admin }: { technician: Actor; admin: Actor },
  now: Date,
): Promise<void> {
  const [bottle] = await tx.select().from(reference).where(eq(reference.kind, 'gas')).orderBy(asc(reference.lot)).limit(1);
  const [visit] = await tx.select().from(ticket).where(ne(ticket.status, 'returned')).orderBy(asc(ticket.code)).limit(1);
  const context = { tx, actor: technician, now: subDays(now, 3) };
  if (bottle)
    await keepFile(context, {
      about: 'reference',
      aboutId: bottle.id,
      name: `Supplier’s certificate, lot ${bottle.lot}.pdf`,
      bytes: await paper('Certificate of a gas mixture', [`Lot ${bottle.lot}`, bottle.name, 'Invented for the demo.']),
    });
  if (visit)
    await keepFile(context, {
      about: 'ticket',
      aboutId: visit.id,
      name: 'Order by mail.pdf',
      bytes: await paper('Order', [`With ticket ${visit.code}`, 'Please calibrate as last year.', 'Invented for the demo.']),
    });
  await makeToken(
    { tx, actor: admin, now: subDays(now, 30) },
    { name: 'Fleet planner', scopes: ['due'], goodUntil: format(addYears(now, 1), 'yyyy-MM-dd') },
  );
}
