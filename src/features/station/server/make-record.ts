import { desc, eq, sql } from 'drizzle-orm';
import { ScriptedRun } from '@/core/run/scripted';
import type { BumpChannel } from '@/core/record/evidence';
import { OUTPUTS } from '@/core/instrument/output';
import { say } from '@/core/words/say';
import { asset, instrumentModel, stationEntry, stationRecord, ticket, type StationChannel } from '@/data/schema';
import { placeTicket, recordRun } from '@/features/bench/server';
import { INSPECTION_ITEMS, receive } from '@/features/counter/server';
import { referenceSnapshots } from '@/features/shelf/server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { recordsOf } from './entries';
import '@/core/words/en/station';

/**
 * Makes a run out of what a station did, so that the signatory can turn it into a record of imported results: no guided order, everything marked as imported.
 * Its gas has to stand on the shelf by its lot; then targets are the bottle's, else nothing can be judged.
 * Errors: Problem (404), (409) where a record was made of it already, where the bench calibrates such a model, or a bottle isn't on the shelf.
 */
export async function makeStationRecord(context: UseCaseContext, { entryId }: { entryId: string }): Promise<{ run: string }> {
  need(context.actor, 'bench');
  const { tx, now, actor } = context;
  // Two people may press at once: the second waits here, and is told.
  await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${entryId}, 0))`);
  const [entry] = await tx.select().from(stationEntry).where(eq(stationEntry.id, entryId));
  if (!entry) throw new Problem('This entry does not exist.', {}, 404);
  if ((await recordsOf(tx, [entryId])).has(entryId)) throw new Problem(say({ code: 'station.made' }), {}, 409);
  const [owner] = await tx
    .select({ asset, model: instrumentModel })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(eq(asset.id, entry.assetId));
  if (!['docking-station', 'automatic-station'].includes(owner!.model.procedureId ?? ''))
    throw new Problem(
      `${owner!.model.maker} ${owner!.model.name} is calibrated at the bench: a station's row stands in its history only.`,
      {},
      409,
    );
  const shelf = await referenceSnapshots(tx);
  const bottles = entry.gases.map(({ lot }) => {
    const bottle = shelf.find((one) => one.kind === 'gas' && one.lot === lot);
    if (!bottle) throw new Problem(`The station’s gas ${lot} is not on the shelf: put it there first.`, {}, 409);
    return bottle;
  });
  const at = entry.at;
  const received = await receive(context, {
    customerId: owner!.asset.customerId,
    contact: '',
    note: '',
    instruments: [
      {
        assetId: entry.assetId,
        service: 'calibrate',
        rule: 'simple',
        promiseOn: null,
        dueAgreed: false,
        note: `Taken from the log of ${entry.station}.`,
        inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'notApplicable' as const, note: '' }])),
      },
    ],
  });
  const ticketId = received.tickets[0]!.id;
  await placeTicket(context, { ticketId, place: await freePlace(context) });
  let open = false;
  const { run } = await recordRun(context, ticketId, (id, procedure, started) => {
    const scripted = new ScriptedRun(procedure, { run: id, actor, start: at, references: bottles, source: 'imported' }).start({
      ...started,
      origin: 'imported',
    });
    const slots = procedure.slots.filter((one) => one.kind === 'gas').map((one) => one.id);
    const point = procedure.points.find(({ target }) => target.kind === 'material' && target.slot === slots[0])!.id;
    if (bottles.length > slots.length)
      throw new Problem(`${procedure.title} knows ${slots.length} of the station’s ${bottles.length} bottles.`, {}, 409);
    const matched = entry.channels.flatMap((one) => {
      const channel = scripted.state.channels.find((each) => each.measurand === one.measurand && each.status === 'fitted');
      return channel ? [{ channel, one }] : [];
    });
    bottles.forEach((bottle, index) =>
      scripted.do({ type: 'bindReference', slot: slots[index]!, reference: bottle.id, flowLPerMin: '0.5' }),
    );
    scripted.do({ type: 'decide', step: 'log/work', option: entry.kind });
    if (entry.kind === 'bump')
      scripted.do({
        type: 'bump',
        step: 'log/bump',
        channels: Object.fromEntries(matched.map(({ channel, one }) => [channel.id, bumpOf(one)])),
        outputs: Object.fromEntries(OUTPUTS.flatMap((one) => (one in entry.outputs ? [[one, entry.outputs[one]!]] : []))),
        verdict: entry.passed ? 'passed' : 'failed',
      });
    if (entry.kind === 'calibration') {
      const read = (step: string, which: 'before' | 'after') =>
        matched.forEach(({ channel, one }) => {
          const text = one[which];
          if (text)
            scripted.do({
              type: 'captureReading',
              step,
              point,
              channel: channel.id,
              text,
              ...(one.lot ? { inputs: { lot: one.lot } } : {}),
            });
        });
      read('log/calibration/before', 'before');
      scripted.do({
        type: 'adjust',
        step: 'log/calibration/adjust',
        channels: matched.map(({ channel }) => channel.id),
        outcome: entry.passed ? 'passed' : 'failed',
      });
      read('log/calibration/after', 'after');
    }
    // What failed is decided by a person first: the run stays on the bench.
    const refusal = scripted.try({ type: 'finish' });
    if (refusal && scripted.current().every((one) => one.step.kind !== 'decide')) throw Problem.fromRefusal(refusal);
    open = refusal !== null;
    return scripted.events;
  });
  const made = { runId: run, madeBy: actor.name, madeAt: now };
  await tx
    .insert(stationRecord)
    .values({ entryId, ...made })
    .onConflictDoUpdate({ target: stationRecord.entryId, set: made });
  if (!open) await tx.update(ticket).set({ status: 'toApprove', place: null, placedAt: now }).where(eq(ticket.id, ticketId));
  return { run };
}

/** Which way it moved by what it showed before and after; not told where the log does not say. */
const rightWay = ({ before, after, target }: StationChannel): boolean | null =>
  before === undefined || after === undefined
    ? null
    : Math.sign(Number(after) - Number(before)) === Math.sign(Number(target) - Number(before));

const bumpOf = (one: StationChannel): BumpChannel => ({
  moved: one.moved,
  rightWay: rightWay(one),
  ...(one.before ? { before: one.before } : {}),
  ...(one.after ? { shown: one.after } : {}),
  ...(one.t90Seconds === undefined ? {} : { t90Seconds: one.t90Seconds }),
});

async function freePlace({ tx }: UseCaseContext): Promise<number> {
  const taken = await tx
    .select({ place: ticket.place })
    .from(ticket)
    .where(eq(ticket.status, 'onBench'))
    .orderBy(desc(ticket.place));
  for (let place = 1; place <= 99; place += 1) if (!taken.some((one) => one.place === place)) return place;
  throw new Problem('All places of the bench are taken.', {}, 409);
}
