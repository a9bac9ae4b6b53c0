import { addDays, addMonths, endOfMonth, format, subMonths } from 'date-fns';
import type { MaterialComponent } from '@/core/run/reference-snapshot';
import type { Transaction } from '@/data/connection';
import { reference } from '@/data/schema';

const part = (substance: string, value: string, unit: string, expanded: string): MaterialComponent => ({
  substance,
  value,
  unit,
  expanded,
  k: 2,
});
const iso = (date: Date) => format(date, 'yyyy-MM-dd');
const FOUR = [
  part('O2', '18.0', '%vol', '0.2'),
  part('CH4', '2.50', '%vol', '0.05'),
  part('H2S', '25.0', 'ppm', '0.8'),
  part('CO', '100', 'ppm', '2'),
];
const SIMULANT = [
  part('O2', '15.0', '%vol', '0.2'),
  part('CH4', '1.45', '%vol', '0.03'),
  part('H2S', '20.0', 'ppm', '0.6'),
  part('CO', '60', 'ppm', '1.2'),
  part('SO2', '5.0', 'ppm', '0.3'),
];
const HYDROGEN = [part('H2', '100', 'ppm', '2'), part('O2', '20.9', '%vol', '0.2')];

/** The shelf: one working bottle of a kind for every eight months of the history, and today's oddities (an expired one, an empty one, a recalled lot, a mix without oxygen). */
export async function stockShelf(tx: Transaction, now: Date): Promise<void> {
  const rows: (typeof reference.$inferInsert)[] = [];
  const gas = (
    name: string,
    lot: string,
    components: MaterialComponent[],
    from: Date,
    good: Date,
    rest: Partial<typeof reference.$inferInsert> = {},
  ) =>
    rows.push({
      kind: 'gas',
      name,
      maker: 'Vantling',
      lot,
      components,
      balance: 'N2',
      expires: iso(endOfMonth(good)),
      certificate: `VG-${lot}`,
      traceability: 'Gravimetric, traceable to the SI through the supplier’s accredited laboratory',
      waterVolumeL: '10',
      pressureBar: '100',
      price: '310',
      fitting: 'C10',
      partNumber: `VG-${components.length}`,
      createdAt: from,
      ...rest,
    });
  for (let age = 28, lot = 1; age >= 4; age -= 8, lot += 1) {
    const from = subMonths(now, age);
    gas('Four-gas mix', `FG-${1100 + lot * 37}`, FOUR, from, addMonths(from, 18));
    gas('Five-gas mix, pentane simulant', `PS-${2200 + lot * 41}`, SIMULANT, from, addMonths(from, 18));
    gas('Hydrogen in air', `HB-${3300 + lot * 29}`, HYDROGEN, from, addMonths(from, 20), {
      maker: 'Brisenal',
      waterVolumeL: '2',
      pressureBar: '60',
      balance: 'air',
      price: '140',
    });
    for (const [name, substance, value] of [
      ['Buffer 4.01', 'technical-4.01', '4.01'],
      ['Buffer 7.00', 'technical-7.00', '7.00'],
      ['Buffer 10.01', 'technical-10.01', '10.01'],
    ] as const) {
      rows.push({
        kind: 'buffer',
        name,
        maker: 'Peregrith',
        lot: `PB-${value.replace('.', '')}-${lot}`,
        components: [part(substance, value, 'pH', '0.02')],
        expires: iso(endOfMonth(addMonths(from, 16))),
        certificate: `PB-${lot}`,
        traceability: 'Traceable to primary buffers',
        price: '12',
        createdAt: from,
      });
    }
  }
  const small = { waterVolumeL: '0.5', pressureBar: '69', price: '95' };
  gas('Four-gas mix, hand bottle', 'FG-1402', FOUR, subMonths(now, 3), addMonths(now, 5), small);
  gas('Four-gas mix, hand bottle', 'FG-1377', FOUR, subMonths(now, 14), subMonths(now, 1), small);
  gas('Four-gas mix, hand bottle', 'FG-1391', FOUR, subMonths(now, 9), addMonths(now, 2), { ...small, pressureBar: '1' });
  gas('Four-gas mix', 'FG-1388', FOUR, subMonths(now, 6), addMonths(now, 8), { recalled: 'H2S found 12 % low by the supplier' });
  gas('Methane in nitrogen', 'MN-0711', [part('CH4', '2.50', '%vol', '0.05')], subMonths(now, 5), addMonths(now, 20), {
    waterVolumeL: '2',
  });
  rows.push({
    kind: 'tool',
    name: 'Flow meter',
    maker: 'Sillmere',
    lot: 'SM-F-0093',
    components: [part('flow', '0.5', 'L/min', '0.02')],
    expires: iso(addDays(now, 140)),
    certificate: 'SM-F-0093/2',
    traceability: 'Calibrated at an accredited laboratory',
    createdAt: subMonths(now, 20),
  });
  await tx.insert(reference).values(rows);
}
