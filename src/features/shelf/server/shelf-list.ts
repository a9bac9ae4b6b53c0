import { addDays, format, parseISO } from 'date-fns';
import { asc, sql, type SQL } from 'drizzle-orm';
import Papa from 'papaparse';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { Transaction } from '@/data/connection';
import { plainLike } from '@/data/find-text';
import { reference } from '@/data/schema';
import { readList, type ListAddress } from '@/ui/list/list-address';
import { referenceSnapshots } from './snapshot';

export const SHELF_KINDS = ['gas', 'buffer', 'standard', 'solution', 'tool'] as const;
/** What ended so long ago, days, is looked for and not looked at. */
const LONG_AGO_DAYS = 90;
/** So many at once: whoever wants others types more of them. */
const MOST = 300;

export interface ShelfAsked {
  q?: string | undefined;
  kind?: (typeof SHELF_KINDS)[number] | undefined;
  /** What is used up or ended long ago too. */
  all?: boolean;
}

/** The shelf as an address says it, and what of it the database is asked. */
export function shelfAddress(search: Record<string, string>): { list: ListAddress; asked: ShelfAsked } {
  const list = readList('/shelf', search, { sorts: ['kind'], filters: { kind: SHELF_KINDS, ended: ['too'] } });
  const kind = SHELF_KINDS.find((one) => one === list.filters.kind);
  return { list, asked: { q: list.q, kind, all: list.filters.ended === 'too' } };
}

/** What stands on the shelf, by name, lot, maker, certificate or what is in it. What is typed is looked for among all that ever stood there; `more`: there are further ones. */
export async function shelfList(
  tx: Transaction,
  { q, kind, all = false }: ShelfAsked,
  today: string,
  most: number = MOST,
): Promise<{ references: ReferenceSnapshot[]; more: boolean }> {
  const since = format(addDays(parseISO(today), -LONG_AGO_DAYS), 'yyyy-MM-dd');
  const wanted: SQL[] = [sql`true`];
  if (kind) wanted.push(sql`${reference.kind} = ${kind}`);
  if (q) {
    const like = `%${plainLike(q.toLowerCase())}%`;
    wanted.push(
      sql`lower(concat_ws(' ', ${reference.name}, ${reference.lot}, ${reference.maker}, ${reference.certificate}, ${reference.issuer}, ${reference.partNumber}, ${reference.components}::text)) like ${like}`,
    );
  } else if (!all)
    wanted.push(sql`(${reference.expires} is null or ${reference.expires} >= ${since}) and ${reference.state} <> 'spent'`);
  const rows = await tx
    .select({ id: reference.id })
    .from(reference)
    .where(sql.join(wanted, sql` and `))
    .orderBy(sql`${reference.expires} desc nulls first`, asc(reference.id))
    .limit(most + 1);
  const ids = rows.slice(0, most).map((row) => row.id);
  return { references: ids.length ? await referenceSnapshots(tx, ids) : [], more: rows.length > most };
}

/** The same list as a table: a row for each gas, or one for what states none. */
export async function shelfCsv(tx: Transaction, asked: ShelfAsked, today: string): Promise<string> {
  const { references } = await shelfList(tx, asked, today, 100_000);
  return Papa.unparse(
    {
      fields: [
        'kind',
        'role',
        'name',
        'lot',
        'substance',
        'value',
        'unit',
        'expanded',
        'k',
        'balance',
        'expires',
        'opened_on',
        'left_litres',
        'left_ml',
        'certificate',
        'issuer',
        'traceability',
        'accepted_on',
        'state',
      ],
      data: references.flatMap((one) =>
        (one.components.length ? one.components : [undefined]).map((component) => [
          one.kind,
          one.role ?? '',
          one.name,
          one.lot,
          component?.substance ?? '',
          component?.value ?? '',
          component?.unit ?? '',
          component?.expanded ?? '',
          component?.k ?? '',
          one.balance ?? '',
          one.expires ?? '',
          one.openedOn ?? '',
          one.availableL ?? '',
          one.leftMl ?? '',
          one.certificate ?? '',
          one.issuer ?? '',
          one.traceability ?? '',
          one.accepted?.on ?? '',
          one.recalled ? 'recalled' : (one.unusable ?? 'good'),
        ]),
      ),
    },
    { escapeFormulae: true },
  );
}
