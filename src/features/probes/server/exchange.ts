import { and, eq, isNull } from 'drizzle-orm';
import { asset, instrumentModel, probePlace } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import type { Exchange } from '../probe-schema';
import { inPlaceNow } from './probe-sheet';

/**
 * A probe goes into a meter at a place, or comes back. What was in that meter of the same kind comes out with it. A digital probe has to be ready; an analogue cell
 * makes a new pair, which asks for a calibration.
 */
export async function exchangeProbe(
  { tx, actor, now }: UseCaseContext,
  input: Exchange,
): Promise<{ out: string | null; pair: boolean }> {
  need(actor, 'bench');
  const { zone } = await readSettings(tx);
  const today = dateIn(zone, now);
  if (input.on > today) throw new Problem('It has not happened yet.', { on: 'Not in the future.' });
  const probe = await withModel(tx, input.probeId);
  if (!probe || !['probe', 'cell'].includes(probe.asset.part))
    throw new Problem('This is no probe.', { probeId: 'No probe.' }, 404);
  const at = input.on === today ? now : new Date(`${input.on}T12:00:00.000Z`);
  const [before] = await inPlaceNow(tx, probe.asset.id);
  if (before && before.fromAt > at)
    throw new Problem('It was put where it is now after that day.', { on: `On or after ${dateIn(zone, before.fromAt)}.` });
  const end = (id: string) => tx.update(probePlace).set({ untilAt: at }).where(eq(probePlace.id, id));
  if (!input.hostId) {
    if (!before) throw new Problem('It stands in the workshop already.', { hostId: 'In no meter.' });
    await end(before.id);
    return { out: null, pair: false };
  }
  const host = await withModel(tx, input.hostId);
  if (!host?.model.traits.host) throw new Problem('This takes no probe.', { hostId: 'Takes no probe.' }, 404);
  if (host.asset.customerId !== probe.asset.customerId)
    throw new Problem('Probe and meter belong to different customers.', { hostId: 'Another customer’s.' });
  if (before?.hostId === host.asset.id) throw new Problem('It is in this meter already.', { hostId: 'It is in it.' });
  const analogue = probe.asset.part === 'cell';
  if (analogue !== (host.model.traits.analoguePair ?? false))
    throw new Problem('This probe does not fit this meter.', {
      hostId: analogue ? 'Takes digital probes.' : 'Takes analogue cells.',
    });
  if (!analogue) refuseUnready(probe.asset, today);
  if (before) await end(before.id);
  const [inside] = await tx
    .select()
    .from(probePlace)
    .where(and(eq(probePlace.hostId, host.asset.id), isNull(probePlace.untilAt)));
  if (inside) await end(inside.id);
  await tx
    .insert(probePlace)
    .values({ probeId: probe.asset.id, hostId: host.asset.id, place: input.place, fromAt: at, by: actor.name, note: input.note });
  if (analogue)
    await tx
      .update(asset)
      .set({
        nextDue: input.on,
        dueBasis: {
          from: input.on,
          reason: `new pairing with cell ${probe.asset.serial}: the pair is calibrated before it is used`,
        },
      })
      .where(eq(asset.id, host.asset.id));
  return { out: inside?.probeId ?? null, pair: analogue };
}

async function withModel(tx: UseCaseContext['tx'], id: string) {
  const [row] = await tx
    .select({ asset, model: instrumentModel })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(eq(asset.id, id))
    .for('update', { of: asset });
  return row;
}

function refuseUnready(probe: typeof asset.$inferSelect, today: string): void {
  if (probe.status !== 'inUse') throw new Problem('It is out of service.', { probeId: 'Out of service.' });
  if (!probe.readyUntil)
    throw new Problem('It has no calibration in tolerance: calibrate it first.', { probeId: 'Not calibrated.' });
  if (probe.readyUntil < today)
    throw new Problem(`It was ready until ${probe.readyUntil}: calibrate it again before it goes out.`, {
      probeId: 'No longer ready.',
    });
}
