import type { reference } from '@/data/schema';
import type { ReferenceInput } from './shelf-schema';

const rows = (table: readonly (readonly [number, number])[] | undefined) => (table ?? []).map((row) => row.join('\t')).join('\n');

/** What is on record of a bottle or a piece of equipment, as its form has it. */
export function inputOf(row: typeof reference.$inferSelect): ReferenceInput {
  const { detail } = row;
  return {
    kind: row.kind,
    role: row.role,
    name: row.name,
    maker: row.maker,
    lot: row.lot,
    partNumber: row.partNumber,
    fitting: row.fitting,
    expires: row.expires ?? '',
    waterVolumeL: row.waterVolumeL ?? '',
    pressureBar: row.pressureBar ?? '',
    price: row.price ?? '',
    balance: row.balance ?? '',
    certificate: row.certificate ?? '',
    issuer: row.issuer ?? '',
    traceability: row.traceability ?? '',
    stabilityIncluded: detail.stabilityIncluded ?? false,
    flowLPerMin: detail.flowLPerMin ?? '',
    demand: detail.demand ?? false,
    components: row.components.map(({ table, corrections, ...one }) => ({
      ...one,
      unit: one.unit as 'ppm',
      table: rows(table),
      corrections: rows(corrections),
    })),
    set: detail.set ?? '',
    nominal: detail.nominal ?? '',
    openedOn: row.openedOn ?? '',
    lifeDays: detail.lifeDays ?? '',
    volumeMl: detail.volumeMl ?? '',
    doseMl: detail.doseMl ?? '',
    singleDose: detail.singleDose ?? false,
  } as ReferenceInput;
}

/** What tells whether somebody else changed it since it was looked at. */
export const stampOf = (row: typeof reference.$inferSelect): string => JSON.stringify(inputOf(row));
