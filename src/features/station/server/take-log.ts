import { eq, sql } from 'drizzle-orm';
import type { StationRow } from '@/core/station/station-row';
import { asset, stationEntry, ticket } from '@/data/schema';
import { INSPECTION_ITEMS, receive } from '@/features/counter/server';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import type { UseCaseContext } from '@/platform/use-case';
import { zoneOf } from '@/platform/zone-of';
import { dryRun } from './dry-run';

export interface Taken {
  taken: number;
  left: number;
  toBench: string[];
}

/** Takes in the good rows of a log: they stand in the history of their instruments as the station's. What failed goes on the bench list. Taking the same file again does nothing. */
export async function takeLog(
  context: UseCaseContext,
  { text, file, lines }: { text: string; file: string; lines: number[] },
): Promise<Taken> {
  need(context.actor, 'bench');
  const { tx, now, actor } = context;
  const rows = await dryRun(tx, text, now);
  const good = rows.filter((one) => one.verdict === 'good' && lines.includes(one.line));
  let taken = 0;
  const failed = new Map<string, StationRow>();
  const latest = new Map<string, StationRow>();
  const bumps = new Map<string, StationRow>();
  for (const { row, assetId, line } of good) {
    const made = await tx
      .insert(stationEntry)
      .values({
        station: row!.station,
        serial: row!.serial,
        maker: row!.maker,
        kind: row!.kind,
        at: new Date(row!.at),
        passed: row!.passed,
        channels: row!.channels,
        gases: row!.gases,
        intervalDays: row!.intervalDays ?? null,
        outputs: row!.outputs,
        assetId: assetId!,
        file: file.slice(0, 120),
        line,
        takenAt: now,
        takenBy: actor.name,
      })
      .onConflictDoNothing()
      .returning({ id: stationEntry.id });
    if (made.length === 0) continue;
    taken += 1;
    if (row!.kind === 'bump' && !(bumps.has(assetId!) && bumps.get(assetId!)!.at >= row!.at)) bumps.set(assetId!, row!);
    if (!latest.has(assetId!) || latest.get(assetId!)!.at < row!.at) latest.set(assetId!, row!);
  }
  for (const [assetId, row] of latest) if (!row.passed) failed.set(assetId, row);
  // The mark of the last bump follows bumps alone.
  for (const [assetId, row] of bumps)
    await tx
      .update(asset)
      .set({ bumpedAt: new Date(row.at), bumpPassed: row.passed })
      .where(
        sql`${asset.id} = ${assetId}::uuid and (${asset.bumpedAt} is null or ${asset.bumpedAt} < ${new Date(row.at).toISOString()}::timestamptz)`,
      );
  return { taken, left: rows.length - taken, toBench: await putOnBenchList(context, failed) };
}

/** A ticket for what failed, unless the instrument is in the house already. */
async function putOnBenchList(context: UseCaseContext, failed: Map<string, StationRow>): Promise<string[]> {
  const { tx } = context;
  const codes: string[] = [];
  const zone = await zoneOf(tx);
  for (const [assetId, row] of failed) {
    const open = await tx
      .select({ code: ticket.code })
      .from(ticket)
      .where(sql`${ticket.assetId} = ${assetId}::uuid and ${ticket.status} <> 'returned'`);
    if (open.length) continue;
    const [owner] = await tx.select().from(asset).where(eq(asset.id, assetId));
    const received = await receive(context, {
      customerId: owner!.customerId,
      contact: '',
      note: '',
      instruments: [
        {
          assetId,
          service: 'calibrateRepair',
          rule: 'simple',
          promiseOn: null,
          dueAgreed: false,
          note: `${row.kind === 'bump' ? 'Bump' : 'Calibration'} failed at ${row.station} on ${dateIn(zone, new Date(row.at))}.`,
          inspection: Object.fromEntries(
            INSPECTION_ITEMS.map((item) => [item.id, { result: 'notApplicable' as const, note: '' }]),
          ),
        },
      ],
    });
    codes.push(received.tickets[0]!.code);
  }
  return codes;
}
