import { subDays } from 'date-fns';
import { and, desc, eq, lte } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, reference, stationEntry, ticket } from '@/data/schema';
import { approveRun } from '@/features/certificates/server';
import { returnTicket } from '@/features/counter/server';
import { makeStationRecord, takeLog } from '@/features/station/server';
import { DockingStation, type StationGas } from '@/standins/station/docking-station';
import { csvHeader, csvLine } from '@/standins/station/write-log';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import type { Actors } from './history';

/** A customer's dock calibrated an instrument overnight; its log was taken in and became a record of imported results. */
export async function stationVisit(tx: Transaction, serial: string, actors: Actors, now: Date): Promise<void> {
  const night = subDays(now, 20);
  const at = new Date(night.getTime() + 3_600_000);
  const bottle = async (name: string, mixture: Record<string, number>): Promise<StationGas> => {
    const [row] = await tx
      .select({ lot: reference.lot, expires: reference.expires })
      .from(reference)
      .where(and(eq(reference.name, name), lte(reference.createdAt, night)))
      .orderBy(desc(reference.createdAt));
    return { lot: row!.lot, expires: row!.expires ?? '2099-12-31', mixture };
  };
  const [owned] = await tx.select({ id: asset.id }).from(asset).where(eq(asset.serial, serial));
  const docked = new SimulatedInstrument(INSTRUMENT_MODELS['VT-60']!, serial, SCENARIOS.sound, 3);
  docked.tick(120);
  const station = new DockingStation(
    'Brewery dock',
    [docked],
    // Its second inlet brings carbon monoxide from a bottle of its own.
    [await bottle('Four-gas mix', { O2: 18, CH4: 2.5, H2S: 25 }), await bottle('Carbon monoxide in air', { CO: 100 })],
    1,
    30,
  );
  const rows = station.work(night).filter((row) => row.kind === 'calibration');
  const text = [csvHeader(), ...rows.map((row) => csvLine(row))].join('\n');
  await takeLog(
    { tx, actor: actors.technician, now: at },
    { text, file: 'brewery-dock.csv', lines: rows.map((_row, index) => index + 2) },
  );
  const [entry] = await tx
    .select({ id: stationEntry.id })
    .from(stationEntry)
    .where(and(eq(stationEntry.assetId, owned!.id), eq(stationEntry.kind, 'calibration')));
  if (!entry) throw new Error(`the demo’s dock left no calibration of ${serial}`);
  const { run } = await makeStationRecord({ tx, actor: actors.technician, now: at }, { entryId: entry.id });
  await approveRun({ tx, actor: actors.signatory, now: new Date(at.getTime() + 7_200_000) }, { runId: run });
  const [row] = await tx.select({ id: ticket.id }).from(ticket).where(eq(ticket.runId, run));
  await returnTicket({ tx, actor: actors.counter, now: new Date(at.getTime() + 9_000_000) }, { ticketId: row!.id });
}
