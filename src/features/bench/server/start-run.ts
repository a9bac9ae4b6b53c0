import { randomUUID } from 'node:crypto';
import { asc, eq } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import { BEGINS_WITH_BUMP, type ServiceId } from '@/core/instrument/service';
import { isMeasurand, type MeasurandId } from '@/core/quantity/unit';
import type { Procedure } from '@/core/procedure/procedure';
import { channelsAsked, schoolsOf } from '@/core/procedure/schools-of';
import type { RunChannel, RunEvent, StartedData } from '@/core/record/event';
import { handle } from '@/core/run/handle';
import { say } from '@/core/words/say';
import { isRefusal } from '@/core/words/refusal';
import { emptyState } from '@/core/record/state';
import type { Transaction } from '@/data/connection';
import { asset, assetChannel, instrumentModel, procedureVersion, run, ticket } from '@/data/schema';
import { isPractice } from '@/platform/clock';
import { need } from '@/platform/need';
import { readSettings } from '@/platform/settings';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { procedureById, proceduresById, recallOf } from '@/features/procedures/server';
import '@/core/words/en/money';
import '@/core/words/en/procedures';
import { scopeNow, standingValues } from '@/features/budgets/server';
import { agreedTolerances } from '@/features/customers/server';
import { offerThatWaits } from '@/features/money/server';
import { secondPlaceOf } from '../place-of-work';
import { keepStatus } from './keep-status';
import { append, appendEvents, type LoadedRun } from './run-store';

type ChannelRow = typeof assetChannel.$inferSelect;

/** Starts the run of a ticket that stands on the bench. Starting twice gives the same run. */
export async function startRun(context: UseCaseContext, { ticketId }: { ticketId: string }): Promise<{ run: string }> {
  need(context.actor, 'bench');
  const { now, actor } = context;
  const prepared = await prepareRun(context, ticketId);
  if ('run' in prepared) return prepared;
  const { loaded, started } = prepared;
  const drafts = handle({
    procedure: loaded.procedure,
    state: loaded.state,
    command: { type: 'start', started },
    context: { now: now.toISOString(), today: '', actor, references: {}, allowSamePerson: false },
  });
  if (isRefusal(drafts)) throw Problem.fromRefusal(drafts);
  await append(context, loaded, `start-${loaded.row.id}`, drafts);
  return { run: loaded.row.id };
}

/** Stores a run whose events were made elsewhere by the same `handle` (a station's log, the demo's history). */
export async function recordRun(
  context: UseCaseContext,
  ticketId: string,
  make: (run: string, procedure: Procedure, started: StartedData) => RunEvent[],
): Promise<{ run: string }> {
  const prepared = await prepareRun(context, ticketId);
  if ('run' in prepared) return prepared;
  const { loaded, started } = prepared;
  await appendEvents(context, loaded, make(loaded.row.id, loaded.procedure, started));
  if (loaded.state.status === 'finished') await keepStatus(context, loaded);
  return { run: loaded.row.id };
}

async function prepareRun(
  { tx, now }: UseCaseContext,
  ticketId: string,
): Promise<{ run: string } | { loaded: LoadedRun; started: StartedData }> {
  const [row] = await tx.select().from(ticket).where(eq(ticket.id, ticketId)).for('update');
  if (!row) throw new Problem('This ticket does not exist.', {}, 404);
  if (row.runId) return { run: row.runId };
  if (row.status !== 'onBench')
    throw new Problem('Put the ticket on a bench place first: its warm-up clock runs there.', {}, 409);
  // Contaminated without a declaration: it waits, or goes back (common practice).
  if (row.inspection.clean?.result === 'fault') throw new Problem(say({ code: 'refused.contaminated' }), {}, 409);
  const [found] = await tx
    .select({ asset, model: instrumentModel })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(eq(asset.id, row.assetId));
  // What the customer was asked and has not answered is not decided by whoever stands at the bench.
  const waits = await offerThatWaits(tx, ticketId);
  if (waits) throw new Problem(say({ code: 'offer.waitsRun', numbers: { number: waits.number } }), {}, 409);
  const procedure = await procedureFor(tx, found?.model.procedureId ?? null, row.service);
  if (!found || !procedure)
    throw new Problem(
      `There is no procedure for ${found?.model.maker ?? ''} ${found?.model.name ?? 'this model'} yet. Work on paper and keep the ticket open.`,
      {},
      409,
    );
  const recalled = await recallOf(tx, procedure);
  if (recalled)
    throw new Problem(say({ code: 'procedures.recalled', numbers: { version: procedure.version, ...recalled } }), {}, 409);
  await freeze(tx, procedure, now);
  const channels = await tx
    .select()
    .from(assetChannel)
    .where(eq(assetChannel.assetId, row.assetId))
    .orderBy(asc(assetChannel.position));
  const agreed = await agreedTolerances(tx, row.customerId, found.asset.modelId);
  const placeOfWork = secondPlaceOf(await readSettings(tx), row.place);
  const scope = await scopeNow(tx);
  const schools = schoolsOf(procedure, found.model.traits, found.asset.samples ?? {});
  const started: StartedData = {
    procedure: { id: procedure.id, version: procedure.version },
    origin: 'guided',
    service: row.service,
    rule: row.rule,
    coverage: 0.9545,
    standing: await standingValues(tx),
    ...(scope.length ? { scope } : {}),
    ...(procedure.schools?.length ? { schools } : {}),
    practice: isPractice(),
    ...(placeOfWork ? { placeOfWork } : {}),
    ...(row.placedAt ? { placedAt: row.placedAt.toISOString() } : {}),
    items: [
      {
        id: 'body',
        part: found.asset.part,
        assetId: row.assetId,
        model: `${found.model.maker} ${found.model.name}`,
        serial: found.asset.serial,
        traits: found.model.traits,
      },
    ],
    channels: channelsAsked(
      channels
        .filter((channel) => procedure.channels.some((place) => place.role === channel.role))
        .map((channel) => withAgreed(toRunChannel(channel), agreed)),
      procedure,
      schools,
    ),
  };
  const id = randomUUID();
  const [runRow] = await tx
    .insert(run)
    .values({
      id,
      ticketId,
      assetId: row.assetId,
      customerId: row.customerId,
      procedureId: procedure.id,
      procedureVersion: procedure.version,
      createdAt: now,
    })
    .returning();
  await tx.update(ticket).set({ runId: id }).where(eq(ticket.id, ticketId));
  return { loaded: { procedure, state: emptyState(id), events: [], row: runRow!, lastHash: '0'.repeat(64) }, started };
}

/** What the customer asked for decides: a bump is a procedure of its own, whatever the model. */
export async function procedureFor(tx: Transaction, id: string | null, service: ServiceId): Promise<Procedure | undefined> {
  const own = await procedureById(tx, id);
  return own && begunWithBump(own, service) ? procedureById(tx, 'bump-test') : own;
}

const begunWithBump = (own: Procedure, service: ServiceId): boolean =>
  BEGINS_WITH_BUMP[service] && own.slots.some((slot) => slot.kind === 'gas');

/** The same for many at once, as a board needs it. */
export async function proceduresFor(tx: Transaction): Promise<(id: string | null, service: ServiceId) => Procedure | undefined> {
  const all = await proceduresById(tx);
  return (id, service) => {
    const own = all.get(id ?? '');
    return own && begunWithBump(own, service) ? all.get('bump-test') : own;
  };
}

/** Checked where it is read: a channel of a quantity that nobody knows is measured by nobody. */
function measurandId(text: string): MeasurandId {
  if (!isMeasurand(text)) throw new Problem(`There is no quantity “${text}”: correct the instrument’s channels.`, {}, 409);
  return text;
}

export function toRunChannel(row: ChannelRow): RunChannel {
  return {
    id: row.id,
    role: row.role,
    item: 'body',
    label: row.label,
    measurand: measurandId(row.measurand),
    unit: row.unit,
    resolution: row.resolution,
    lowest: row.lowest,
    highest: row.highest,
    tolerance: row.tolerance,
    status: row.status,
    ...(row.calibrationGas ? { calibrationGas: row.calibrationGas } : {}),
    ...(row.sensorSerial ? { sensorSerial: row.sensorSerial } : {}),
    ...(row.principle ? { principle: row.principle } : {}),
    ...(row.cleanAir ? { cleanAir: row.cleanAir } : {}),
    ...(row.scale ? { scale: row.scale } : {}),
    ...(row.water ? { water: row.water } : {}),
    ...(row.alarms ? { alarms: row.alarms } : {}),
  };
}

/** What was agreed with the customer stands before what the instrument carries. */
function withAgreed(channel: RunChannel, agreed: Awaited<ReturnType<typeof agreedTolerances>>): RunChannel {
  const found = agreed.find((one) => one.role === channel.role);
  if (!found) return channel;
  return { ...channel, tolerance: found.tolerance, toleranceAgreed: { on: found.agreedOn, with: found.agreedWith } };
}

/** Keeps the procedure as it is at its first use. A shipped one that was changed without a new version is refused: the old runs would lose their meaning. */
async function freeze(tx: Transaction, procedure: Procedure, now: Date): Promise<void> {
  const hash = contentHash(procedure);
  await tx
    .insert(procedureVersion)
    .values({ id: procedure.id, version: procedure.version, document: procedure, hash, frozenAt: now })
    .onConflictDoNothing();
  const rows = await tx.select().from(procedureVersion).where(eq(procedureVersion.id, procedure.id));
  if (rows.find((row) => row.version === procedure.version)?.hash !== hash)
    throw new Error(`procedure ${procedure.id} version ${procedure.version} was changed after a run used it`);
}
