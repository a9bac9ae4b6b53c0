import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { ImportField } from '@/core/stored/import';
import { importRow, reference } from '@/data/schema';
import type { UseCaseContext } from '@/platform/use-case';
import { addReference, referenceSchema } from '@/features/shelf/server';
import { BALANCE } from './read-bottle-row';

type Given = Partial<Record<ImportField, string>>;

/** Puts the new bottles of a judged table on the shelf, each lot one bottle with all its gases. Not accepted yet: a person looks at each (ISO/IEC 17025:2017, 6.4.4). Gives back how many. */
export async function takeBottles(context: UseCaseContext, batchId: string): Promise<number> {
  const { tx } = context;
  const rows = await tx
    .select({ line: importRow.line, given: importRow.given })
    .from(importRow)
    .where(and(eq(importRow.batchId, batchId), eq(importRow.verdict, 'new')))
    .orderBy(asc(importRow.line));
  const lots = new Map<string, { line: number; given: Given }[]>();
  for (const { line, given } of rows) {
    const lot = given!.lot!.toUpperCase();
    lots.set(lot, [...(lots.get(lot) ?? []), { line, given: given! }]);
  }
  // What somebody else put there since it was looked at is left alone.
  const there = await tx
    .select({ lot: sql<string>`upper(${reference.lot})` })
    .from(reference)
    .where(and(eq(reference.kind, 'gas'), inArray(sql`upper(${reference.lot})`, [...lots.keys(), ''])));
  there.forEach(({ lot }) => lots.delete(lot));
  let taken = 0;
  for (const lot of lots.values()) {
    const input = inputOf(lot.map((row) => row.given));
    if (!input) continue;
    const { id } = await addReference(context, referenceSchema.validateSync(input), { ofTable: true });
    await tx
      .update(importRow)
      .set({ madeReference: id })
      .where(
        and(
          eq(importRow.batchId, batchId),
          inArray(
            importRow.line,
            lot.map((row) => row.line),
          ),
        ),
      );
    taken += 1;
  }
  return taken;
}

/** The bottle that the rows of a lot make; null where they say only what it is made up with. */
function inputOf(rows: Given[]) {
  const said = (field: ImportField) => rows.find((row) => row[field])?.[field] ?? '';
  const gases = rows.filter((row) => row.gas !== BALANCE);
  if (gases.length === 0) return null;
  return {
    kind: 'gas',
    name: said('name') || gases.map(({ gas, value, unit }) => `${gas} ${value} ${unit}`).join(', '),
    maker: said('supplier'),
    lot: said('lot'),
    expires: said('expires'),
    waterVolumeL: said('waterVolume'),
    pressureBar: said('pressure'),
    balance: rows.find((row) => row.gas === BALANCE)?.value ?? '',
    certificate: said('certificate'),
    issuer: said('issuer'),
    traceability: said('traceability'),
    components: gases.map(({ gas, value, unit, expanded, k }) => ({
      substance: gas,
      value,
      unit,
      expanded,
      k: k ? Number(k.replace(',', '.')) : 2,
    })),
  };
}
