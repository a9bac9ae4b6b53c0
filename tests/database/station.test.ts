import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { dryRun, entriesOf, makeStationRecord, takeLog } from '@/features/station/server';
import { approveRun } from '@/features/certificates/server';
import { DockingStation } from '@/standins/station/docking-station';
import { csvHeader, csvLine } from '@/standins/station/write-log';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import { openWorld, type World } from './world';

let world: World;
const serials = {
  sound: `D-${randomUUID().slice(0, 5)}`,
  poisoned: `D-${randomUUID().slice(0, 5)}`,
  unknown: `D-${randomUUID().slice(0, 5)}`,
};
beforeAll(async () => {
  world = await openWorld();
  // The world's own model, as an instrument that a docking station looks after.
  await world.app.query(`update instrument_model set procedure_id = 'docking-station'`);
  await world.newAsset(serials.sound);
  await world.newAsset(serials.poisoned);
});
afterAll(() => world.close());
const inTx = <T>(
  work: (context: {
    tx: Parameters<Parameters<World['db']['transaction']>[0]>[0];
    actor: World['technician'];
    now: Date;
  }) => Promise<T>,
) => world.db.transaction((tx) => work({ tx, actor: world.technician, now: new Date() }));

/** The log of a simulated docking station: one sound instrument, one poisoned, one that nobody knows. */
function log(format: 'csv' | 'jsonl', at = new Date(Date.now() - 3_600_000), calibrateEvery = 30): string {
  const cradle = (serial: string, scenario: string) => {
    const instrument = new SimulatedInstrument(INSTRUMENT_MODELS['OF-410']!, serial, SCENARIOS[scenario], 2);
    instrument.tick(120);
    return instrument;
  };
  const station = new DockingStation(
    'Dock 1',
    [cradle(serials.sound, 'sound'), cradle(serials.poisoned, 'poisonedCombustible'), cradle(serials.unknown, 'sound')],
    { lot: 'T-1', expires: '2099-12-31', mixture: { O2: 18, CH4: 2.5, H2S: 25, CO: 100 } },
    calibrateEvery,
  );
  const rows = station.work(at);
  return format === 'csv'
    ? [csvHeader(), ...rows.map((row) => csvLine(row))].join('\n')
    : rows.map((row) => JSON.stringify(row)).join('\n');
}

describe('the log of a station', () => {
  it('a dry run says row by row what would come of it and writes nothing', async () => {
    const rows = await inTx(({ tx, now }) => dryRun(tx, log('csv'), now));
    const bySerial = (serial: string) => rows.filter((row) => row.row?.serial === serial);
    expect(bySerial(serials.sound)).toMatchObject([{ verdict: 'good', why: '' }]);
    expect(bySerial(serials.poisoned)[0]).toMatchObject({ verdict: 'good', why: expect.stringContaining('bench list') });
    expect(bySerial(serials.unknown)[0]).toMatchObject({ verdict: 'unknown', assetId: null });
    expect((await world.app.query('select count(*)::int as n from station_entry')).rows[0].n).toBe(0);
  });
  it('takes the good rows once, lists the broken ones with line and reason, puts what failed on the bench list', async () => {
    const text = `${log('jsonl')}\n{"station":"Dock 1"}\nnot json\n`;
    const rows = await inTx(({ tx, now }) => dryRun(tx, text, now));
    expect(rows.filter((row) => row.verdict === 'broken').map((row) => row.why)).toEqual([
      expect.stringContaining('missing'),
      'this line is no JSON',
    ]);
    const lines = rows.map((row) => row.line);
    const taken = await inTx((context) => takeLog(context, { text, file: 'a.jsonl', lines }));
    expect(taken.taken).toBe(rows.filter((row) => row.verdict === 'good').length);
    expect(taken.toBench).toHaveLength(1);
    const again = await inTx((context) => takeLog(context, { text, file: 'a.jsonl', lines }));
    expect(again).toMatchObject({ taken: 0, toBench: [] });
    expect((await inTx(({ tx, now }) => dryRun(tx, text, now))).filter((row) => row.verdict === 'duplicate').length).toBe(
      taken.taken,
    );
    const { rows: assets } = await world.app.query('select serial, bump_passed from asset where serial = any($1)', [
      [serials.sound, serials.poisoned],
    ]);
    expect(Object.fromEntries(assets.map((row) => [row.serial, row.bump_passed]))).toMatchObject({
      [serials.sound]: true,
      [serials.poisoned]: false,
    });
    const { rows: tickets } = await world.app.query(
      'select note from ticket t join asset a on a.id = t.asset_id where a.serial = $1',
      [serials.poisoned],
    );
    expect(tickets[0].note).toMatch(/failed at Dock 1/);
  });
  it('a clock that runs ahead and an expired gas make a row doubtful', async () => {
    const ahead = log('jsonl', new Date(Date.now() + 86_400_000)).split('\n')[0]!;
    const old = ahead.replace(/"at":"[^"]+"/, '"at":"2026-11-20T08:00:00.000Z"').replace('2099-12-31', '2020-01-01');
    const rows = await inTx(({ tx, now }) => dryRun(tx, `${ahead}\n${old}`, now));
    expect(rows.map((row) => row.verdict)).toEqual(['doubtful', 'doubtful']);
    expect(rows[1]!.why).toContain('expired');
  });
  it('the same row twice in a file is known the second time', async () => {
    const line = log('jsonl', new Date(Date.now() - 7_200_000)).split('\n')[0]!;
    const rows = await inTx(({ tx, now }) => dryRun(tx, `${line}\n${line}`, now));
    expect(rows.map((row) => row.verdict)).toEqual(['good', 'duplicate']);
  });
  it('a calibration becomes a record of imported results, never a certificate; bump and calibration are told apart', async () => {
    const text = log('jsonl', new Date(Date.now() - 10_800_000), 1);
    await inTx((context) => takeLog(context, { text, file: 'b.jsonl', lines: text.split('\n').map((_one, index) => index + 1) }));
    const { rows } = await world.app.query(
      `select e.id, a.id as asset_id from station_entry e join asset a on a.id = e.asset_id where e.kind = 'calibration' and e.passed and a.serial = $1`,
      [serials.sound],
    );
    const { run } = await inTx((context) => makeStationRecord(context, { entryId: rows[0].id }));
    // Two people press the same button: one record, and the other is told.
    await expect(inTx((context) => makeStationRecord(context, { entryId: rows[0].id }))).rejects.toThrow(/made of it already/);
    const issued = await world.db.transaction((tx) =>
      approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }),
    );
    const { rows: made } = await world.app.query(
      `select kind, content->>'title' as title, content->'adjustments' as adjustments from certificate where id = $1`,
      [issued.id],
    );
    expect(made[0]).toMatchObject({ kind: 'imported', title: 'Record of imported station results' });
    expect(JSON.stringify(made[0].adjustments)).toContain('Calibration');
    const { rows: events } = await world.app.query('select distinct source from run_event where run_id = $1 and type = any($2)', [
      run,
      ['readingCaptured', 'adjusted'],
    ]);
    expect(events).toEqual([{ source: 'imported' }]);
    expect((await inTx(({ tx }) => entriesOf(tx, rows[0].asset_id))).length).toBeGreaterThan(1);
  });
  it('two bottles: each channel is judged by the one that it was tried with, and both stand on the document', async () => {
    await world.app.query(
      `insert into reference select (jsonb_populate_record(r, jsonb_build_object('id', gen_random_uuid(), 'lot', 'T-2', 'name', 'Carbon monoxide',
         'components', '[{"substance":"CO","value":"100","unit":"ppm","expanded":"2","k":2}]'::jsonb))).* from reference r where lot = 'T-1'`,
    );
    const serial = `D-${randomUUID().slice(0, 5)}`;
    await world.newAsset(serial);
    const cradle = new SimulatedInstrument(INSTRUMENT_MODELS['OF-410']!, serial, SCENARIOS.sound, 2);
    cradle.tick(120);
    const station = new DockingStation(
      'Dock 2',
      [cradle],
      [
        { lot: 'T-1', expires: '2099-12-31', mixture: { O2: 18, CH4: 2.5, H2S: 25 } },
        { lot: 'T-2', expires: '2099-12-31', mixture: { CO: 100 } },
      ],
      1,
      30,
    );
    const rows = station.work(new Date(Date.now() - 5_400_000)).filter((row) => row.kind === 'calibration');
    expect(rows[0]!.passed).toBe(true);
    const text = rows.map((row) => JSON.stringify(row)).join('\n');
    await inTx((context) => takeLog(context, { text, file: 'd.jsonl', lines: [1] }));
    const { rows: entries } = await world.app.query(
      `select id, asset_id, interval_days from station_entry where station = 'Dock 2' and kind = 'calibration'`,
    );
    expect(entries[0].interval_days).toBe(30);
    const { run } = await inTx((context) => makeStationRecord(context, { entryId: entries[0].id }));
    const issued = await world.db.transaction((tx) =>
      approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }),
    );
    const { rows: made } = await world.app.query(`select content from certificate where id = $1`, [issued.id]);
    const { content } = made[0];
    const lots = content.references.map((one: { lot: string }) => one.lot);
    expect(lots).toEqual(expect.arrayContaining(['T-1', 'T-2']));
    const judgedBy = (label: string) => {
      const line = content.results.find((one: { label: string }) => one.label === label);
      return (
        content.references.find((one: { id: string }) => one.id === line.found.referenceId)?.lot ?? JSON.stringify(line.found)
      );
    };
    expect([judgedBy('CO'), judgedBy('H₂S')]).toEqual(['T-2', 'T-1']);
  });
  it('gas that is not on the shelf can’t be a reference', async () => {
    const text = log('jsonl', new Date(Date.now() - 14_400_000)).replaceAll('"T-1"', '"NOWHERE"');
    await inTx((context) => takeLog(context, { text, file: 'c.jsonl', lines: [1] }));
    const { rows } = await world.app.query(`select id from station_entry where gases @> '[{"lot":"NOWHERE"}]'`);
    await expect(inTx((context) => makeStationRecord(context, { entryId: rows[0].id }))).rejects.toThrow(/not on the shelf/);
  });
});
