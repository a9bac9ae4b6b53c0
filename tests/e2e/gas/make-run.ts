import type { ServiceId } from '@/core/instrument/service';
import { eq } from 'drizzle-orm';
import type { Actor } from '@/core/record/event';
import { database } from '@/data/connection';
import { asset, customer, instrumentModel, user } from '@/data/schema';
import { placeTicket, startRun } from '@/features/bench/server';
import { createAsset, INSPECTION_ITEMS, receive } from '@/features/counter/server';

export async function actorOf(role: Actor['role']): Promise<Actor> {
  const [row] = await database().select().from(user).where(eq(user.role, role));
  return { id: row!.id, name: row!.name, role };
}

/** What a CO monitor shows by hand, and what it keeps, by the words of the question. */
export const CO_BY_HAND = {
  lot: 'CM-0440',
  shows: { co: { zero: '0', span: '100' } },
  keeps: {
    'Low alarm': '35',
    'High alarm': '70',
    'Span value that the instrument keeps': '100',
    'Peak, STEL and TWA as shown': 'none',
    'Last alarm events': 'none',
  },
};

/** An instrument of a model received, put on a free place and its run begun, by the same use cases as the screens call. */
export async function makeRun({
  model,
  serial,
  service = 'calibrate',
  at = new Date(),
}: {
  model: string;
  serial: string;
  service?: ServiceId;
  at?: Date;
}): Promise<{ run: string; assetId: string; ticketId: string; place: number }> {
  const technician = await actorOf('technician');
  return database().transaction(async (tx) => {
    const context = { tx, actor: technician, now: at };
    const [found] = await tx.select().from(instrumentModel).where(eq(instrumentModel.name, model));
    const [owner] = await tx.select().from(customer).where(eq(customer.name, 'Tidewater Tramway Tunnels'));
    const [known] = await tx.select().from(asset).where(eq(asset.serial, serial));
    const { id: assetId } =
      known ?? (await createAsset(context, { customerId: owner!.id, modelId: found!.id, serial, tag: '', channels: [] }));
    const received = await receive(context, {
      customerId: known?.customerId ?? owner!.id,
      contact: '',
      note: '',
      instruments: [
        {
          assetId,
          service: service,
          rule: 'simple',
          promiseOn: null,
          dueAgreed: true,
          note: '',
          inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }])),
        },
      ],
    });
    const ticketId = received.tickets[0]!.id;
    const place = await freePlace(tx);
    await placeTicket(context, { ticketId, place });
    const { run } = await startRun(context, { ticketId });
    return { run, assetId, ticketId, place };
  });
}

async function freePlace(tx: Parameters<Parameters<ReturnType<typeof database>['transaction']>[0]>[0]): Promise<number> {
  const result = await tx.execute<{ place: number }>(
    `select min(n)::int as place from generate_series(1, 90) n where not exists (select from ticket where place = n)`,
  );
  return result.rows[0]!.place;
}

/** More places than the demo has: several families are on the bench at once. */
export async function manyPlaces(): Promise<void> {
  await database().execute(`update setting set value = value || '{"places": 90}' where key = 'workshop'`);
}
