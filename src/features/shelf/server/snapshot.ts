import { addDays, format, parseISO } from 'date-fns';
import { and, desc, eq, gte, inArray, isNull, or } from 'drizzle-orm';
import { Dec, greaterOf } from '@/core/quantity/decimal';
import { gasAvailable } from '@/core/supply/gas-available';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { Transaction } from '@/data/connection';
import { reference, referenceCheck, referenceTotal } from '@/data/schema';
import { isId } from '@/platform/shape';

type Row = typeof reference.$inferSelect;

/** References as they stand now, ready to be copied into a run: what is left is the content at the last pressure reading less what was drawn. */
export async function referenceSnapshots(tx: Transaction, ids?: string[]): Promise<ReferenceSnapshot[]> {
  const rows = await tx
    .select()
    .from(reference)
    .where(ids ? inArray(reference.id, ids) : undefined)
    .orderBy(reference.kind, reference.name, reference.lot);
  // What is left: the content at the last reading of the gauge less what was drawn after it.
  const readings = await tx
    .selectDistinctOn([referenceCheck.referenceId], {
      id: referenceCheck.referenceId,
      bar: referenceCheck.value,
      at: referenceCheck.at,
    })
    .from(referenceCheck)
    .where(and(eq(referenceCheck.what, 'pressure'), ids ? inArray(referenceCheck.referenceId, ids) : undefined))
    .orderBy(referenceCheck.referenceId, desc(referenceCheck.at), desc(referenceCheck.id));
  const totals = new Map(
    (
      await tx
        .select()
        .from(referenceTotal)
        .where(ids ? inArray(referenceTotal.referenceId, ids) : undefined)
    ).map((row) => [row.referenceId, row]),
  );
  return rows.map((row) => {
    if (row.detail.volumeMl)
      // Doses of liquids are all booked since the bottle was opened: no gauge says what is left.
      return toSnapshot(row, null, leftMl(row, totals.get(row.id)?.litres ?? '0'));
    const bar = readings.find((entry) => entry.id === row.id)?.bar ?? row.pressureBar;
    if (!row.waterVolumeL || !bar) return toSnapshot(row, null);
    const content = gasAvailable({ waterVolumeL: Number(row.waterVolumeL), gaugePressureBar: Number(bar) });
    return toSnapshot(
      row,
      greaterOf(0, new Dec(content).minus(totals.get(row.id)?.sinceGauge ?? 0))
        .toDecimalPlaces(1)
        .toFixed(),
    );
  });
}

/** Of what ended longer ago than this nobody asks at the bench why it may not be used, days. */
const FORGOTTEN_AFTER_DAYS = 365;

/**
 * What a run may want off the shelf: the kinds of material that its procedure has a place for, every tool and solution, and what it is already bound to. A house that was used for years has bottles by the hundred that
 * nobody at this bench can use.
 */
export async function shelfFor(
  tx: Transaction,
  { kinds, bound, today }: { kinds: readonly ReferenceSnapshot['kind'][]; bound: readonly string[]; today: string },
): Promise<ReferenceSnapshot[]> {
  const since = format(addDays(parseISO(today), -FORGOTTEN_AFTER_DAYS), 'yyyy-MM-dd');
  const wanted = and(
    inArray(reference.kind, [...new Set([...kinds, 'tool' as const, 'solution' as const])]),
    or(isNull(reference.expires), gte(reference.expires, since)),
  );
  const rows = await tx
    .select({ id: reference.id })
    .from(reference)
    .where(bound.length ? or(wanted, inArray(reference.id, [...bound])) : wanted);
  return referenceSnapshots(
    tx,
    rows.map((row) => row.id),
  );
}

export async function referenceSnapshot(tx: Transaction, id: string): Promise<ReferenceSnapshot | null> {
  const [found] = isId(id) ? await referenceSnapshots(tx, [id]) : [];
  return found ?? null;
}

function toSnapshot(row: Row, available: string | null, left: string | null = null): ReferenceSnapshot {
  return {
    id: row.id,
    kind: row.kind,
    name: row.name,
    lot: row.lot,
    components: row.components,
    ...(row.certificate ? { certificate: row.certificate } : {}),
    ...(row.traceability ? { traceability: row.traceability } : {}),
    ...(row.issuer ? { issuer: row.issuer } : {}),
    ...(row.accepted ? { accepted: { on: row.accepted.on, by: row.accepted.by } } : {}),
    ...(row.detail.stabilityIncluded ? { stabilityIncluded: true } : {}),
    ...(row.expires ? { expires: row.expires } : {}),
    ...(row.balance ? { balance: row.balance } : {}),
    ...(row.recalled ? { recalled: row.recalled } : {}),
    ...(row.fitting ? { fitting: row.fitting } : {}),
    ...(row.partNumber ? { partNumber: row.partNumber } : {}),
    ...(row.role ? { role: row.role } : {}),
    ...(Object.keys(row.detail).length ? { detail: row.detail } : {}),
    ...(row.state === 'good' ? {} : { unusable: row.state === 'spent' ? 'spent' : 'out of use' }),
    ...pricePerLitre(row),
    ...(left === null ? {} : { leftMl: left }),
    ...opened(row),
    ...(available === null ? {} : { availableL: available }),
  };
}

function leftMl(row: Row, litres: string): string {
  return greaterOf(0, new Dec(row.detail.volumeMl!).minus(new Dec(litres).times(1000)))
    .toDecimalPlaces(1)
    .toFixed();
}

/** Good for so many days after it was first opened. */
function opened(row: Row): { openedOn?: string; openedUntil?: string } {
  if (!row.openedOn) return {};
  const days = Number(row.detail.lifeDays ?? 0);
  return {
    openedOn: row.openedOn,
    ...(days > 0 ? { openedUntil: format(addDays(parseISO(row.openedOn), days), 'yyyy-MM-dd') } : {}),
  };
}

/** What a litre cost: the price of the bottle over what it held when it came. */
function pricePerLitre(row: Row): { pricePerL: string } | object {
  if (!row.price || !row.waterVolumeL || !row.pressureBar || !(Number(row.pressureBar) > 0)) return {};
  const content = gasAvailable({ waterVolumeL: Number(row.waterVolumeL), gaugePressureBar: Number(row.pressureBar) });
  return { pricePerL: new Dec(row.price).div(content).toDecimalPlaces(4).toFixed() };
}
