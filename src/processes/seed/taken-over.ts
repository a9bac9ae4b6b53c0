import { eq } from 'drizzle-orm';
import { subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { instrumentModel } from '@/data/schema';
import { addRows, beginImport, judgeImport } from '@/features/imports/server';
import { createModel } from '@/features/models/server';

const HEAD = ['Company', 'Make', 'Device', 'S/N', 'Inventory no', 'Next due', 'E-mail'];
/** A customer's own list, as lists are: an owner misspelt, a model nobody knows, one that is on record, one twice, a day that is none. */
const LIST = [
  ['Lowmoor Tannery', 'Ordfell', 'OF-410', 'LT-20431', 'LT-001', '14.02.2027', 'safety@lowmoor-tannery.example'],
  ['Lowmoor Tannery', 'Ordfell', 'OF-410', 'LT-20432', 'LT-002', '14.02.2027', ''],
  ['Lowmoor Tannery', 'Ordfell', 'OF-415', 'LT-20977', 'LT-003', '3/4/2027', ''],
  ['Grauwinckel Brewery', 'Vantling', 'VT-60', 'VD-2210', '', '2027-05-01', 'cellar@grauwinkel.example'],
  ['Grauwinckel Brewery', 'Vantling', 'VT-61', 'VD-2211', '', '2027-05-01', ''],
  ['Lowmoor Tannery', 'Ordfell', 'OF-410', 'lt-20432', '', '', ''],
  ['Saltmarsh Trout Hatchery', 'Sillmere', 'SM-20', 'SM-99120', 'pond 4', 'in spring', 'ponds at saltmarsh'],
  ['Saltmarsh Trout Hatchery', 'Sillmere', 'SM-20', 'SM-99121', 'pond 5', '1 Mar 2027', ''],
];

/** A workshop's own: a model that never shipped, made like another one, and a table that was read and looked at, and waits to be taken in. */
export async function takenOver(
  tx: Transaction,
  { technician, office }: { technician: Actor; office: Actor },
  now: Date,
): Promise<void> {
  const [like] = await tx.select().from(instrumentModel).where(eq(instrumentModel.name, 'OF-410'));
  if (like)
    await createModel(
      { tx, actor: technician, now: subDays(now, 12) },
      {
        maker: like.maker,
        name: 'OF-415',
        kind: like.kind,
        procedureId: like.procedureId!,
        notes: 'Successor of the OF-410; same sensors, the horn is louder.',
        traits: like.traits,
        channels: like.channels,
      },
    );
  const context = { tx, actor: office, now };
  await bottleTable(context);
  const { batchId } = await beginImport(context, {
    kind: 'instruments',
    fileName: 'instruments of two customers.csv',
    columns: HEAD,
  });
  await addRows(context, { batchId, first: 1, rows: LIST, last: true });
  await judgeImport(context, {
    batchId,
    mapping: { customer: 0, maker: 1, model: 2, serial: 3, tag: 4, due: 5, email: 6 },
    dayOrder: 'dayFirst',
    customers: {},
    models: {},
  });
}

/** A supplier's delivery as its table has it: two bottles, a unit that says nothing, and a lot that contradicts itself. */
const BOTTLES = [
  ['K-77120', 'Carbon monoxide', '100', 'µmol/mol', '2 %', '06/2028', 'C-77120', '150'],
  ['K-77120', 'Hydrogen sulfide', '25', 'µmol/mol', '3 %', '06/2028', 'C-77120', '150'],
  ['K-77120', 'Nitrogen', 'balance', '', '', '', '', ''],
  ['K-77121', 'Methane', '2.5', 'Vol.-%', '0.05', '06/2029', 'C-77121', '150'],
  ['K-77122', 'Oxygen', '18', '%', '0.2', '06/2029', 'C-77122', '150'],
  ['K-77123', 'Carbon dioxide', '2.0', 'Vol.-%', '0.04', '06/2029', 'C-77123', '150'],
  ['K-77123', 'Nitrogen', 'balance', '', '', '07/2029', '', ''],
];
async function bottleTable(context: { tx: Transaction; actor: Actor; now: Date }): Promise<void> {
  const { batchId } = await beginImport(context, {
    kind: 'bottles',
    fileName: 'delivery of gases.csv',
    columns: ['Cylinder', 'Component', 'Content', 'Unit', 'Uncertainty', 'Good until', 'Certificate', 'Bar'],
  });
  await addRows(context, { batchId, first: 1, rows: BOTTLES, last: true });
  await judgeImport(context, {
    batchId,
    mapping: { lot: 0, gas: 1, value: 2, unit: 3, expanded: 4, expires: 5, certificate: 6, pressure: 7 },
    dayOrder: 'dayFirst',
    customers: {},
    models: {},
  });
}
