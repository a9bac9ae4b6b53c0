import { equipmentFor } from '@/processes/seed/pilot';
import { isRefusal } from '@/core/words/refusal';
import { ScriptedRun } from '@/core/run/scripted';
import { closeDatabase, database } from '@/data/connection';
import { deviceLine } from '@/data/schema';
import { giveCommand, loadRun } from '@/features/bench/server';
import { referenceSnapshots } from '@/features/shelf/server';
import { freePort } from '@/processes/free-port';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import { DockingStation } from '@/standins/station/docking-station';
import { csvHeader, csvLine } from '@/standins/station/write-log';
import { actorOf, makeRun, manyPlaces } from './make-run';

async function onLine(model: string, serial: string, scenario: string) {
  const [port, panelPort] = [await freePort(), await freePort()];
  await database().insert(deviceLine).values({ kind: 'instrument', name: serial, host: '127.0.0.1', port, panelPort });
  return {
    file: 'src/standins/instrument-server.ts',
    env: { MODEL: model, SERIAL: serial, SCENARIO: scenario, PORT: String(port), PANEL_PORT: String(panelPort) },
  };
}

/** Gives commands until a step is reached; every reading is what a poisoned combustible sensor shows. */
async function workTo(run: string, until: RegExp): Promise<void> {
  const technician = await actorOf('technician');
  await database().transaction(async (tx) => {
    const shelf = await referenceSnapshots(tx);
    const bottle = shelf.find((one) => one.lot === 'FG-1402')!;
    const demand = shelf.find((one) => one.lot === 'RG-D02')!;
    const fixed = shelf.find((one) => one.lot === 'RG-051')!;
    let at = HALF_AN_HOUR_AGO.getTime() + 60_000;
    for (let guard = 0; guard < 60; guard += 1) {
      const { state, procedure } = (await loadRun(tx, run))!;
      const scripted = new ScriptedRun(procedure, { run, actor: technician, start: new Date(at), references: shelf });
      Object.assign(scripted, { state });
      const [planned] = scripted.current();
      if (!planned || until.test(planned.key)) return;
      const { step, key } = planned;
      at += step.kind === 'wait' ? step.minSeconds * 1000 : step.kind === 'read' ? 60_000 : 15_000;
      const text = (role: string) => ({ o2: '18.0', ex: '5', h2s: '24.5', co: '99' })[role] ?? '0';
      const zero = (role: string) => ({ o2: '20.9', h2s: '0.0' })[role] ?? '0';
      const commands: object[] = [];
      if (step.kind === 'wait') commands.push({ type: 'completeStep', step: key });
      if (step.kind === 'condition')
        commands.push({
          type: 'completeStep',
          step: key,
          conditions: { temperatureC: '21.4', pressureHPa: '1008.4', humidityPercent: '44' },
          equipment: equipmentFor(scripted),
        });
      if (step.kind === 'check')
        commands.push({
          type: 'completeStep',
          step: key,
          answers: Object.fromEntries(
            step.items.map((item) => [
              item.id,
              { value: { passFault: 'pass', yesNo: 'yes', number: '0', text: 'none', sensorSerial: 'N' }[item.answer] },
            ]),
          ),
        });
      if (step.kind === 'reference')
        commands.push({
          type: 'bindReference',
          slot: 'mix',
          reference: bottle.id,
          regulator: procedure.family === 17 ? demand.id : fixed.id,
        });
      if (step.kind === 'stimulus') commands.push({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on });
      if (step.kind === 'read')
        for (const point of step.points)
          for (const channel of state.channels.filter((one) =>
            procedure.points.find((each) => each.id === point)!.channels.includes(one.role),
          ))
            commands.push({
              type: 'captureReading',
              step: key,
              point,
              channel: channel.id,
              text: point === 'span' ? text(channel.role) : zero(channel.role),
            });
      if (step.kind === 'adjust') {
        const ex = state.channels.filter((one) => one.role === 'ex' && step.action !== 'zero').map((one) => one.id);
        commands.push({
          type: 'adjust',
          step: key,
          channels: state.channels.map((one) => one.id).filter((id) => !ex.includes(id)),
          outcome: 'passed',
        });
        if (ex.length) commands.push({ type: 'adjust', step: key, channels: ex, outcome: 'failed' });
      }
      for (const command of commands) {
        const given = await giveCommand(
          { tx, actor: technician, now: new Date(at) },
          { run, commandId: `p-${at}-${Math.random()}`, command: command as never },
        );
        if (isRefusal(given)) throw new Error(`${key}: ${given.sentence}`);
      }
    }
  });
}

const HALF_AN_HOUR_AGO = new Date(Date.now() - 30 * 60_000);
await manyPlaces();
const standIns = [await onLine('VT-47', 'PX-4711', 'poisonedCombustible'), await onLine('OF-410', 'PX-0410', 'sound')];
const [failed, bump] = [
  await makeRun({ model: 'VT-47', serial: 'PX-4711', at: HALF_AN_HOUR_AGO }),
  await makeRun({ model: 'OF-410', serial: 'PX-0410', service: 'bumpOnly', at: HALF_AN_HOUR_AGO }),
];
await workTo(failed.run, /decide/);
await workTo(bump.run, /^on$/);
const cradle = (serial: string, scenario: string) => {
  const one = new SimulatedInstrument(INSTRUMENT_MODELS['VT-60']!, serial, SCENARIOS[scenario], 1);
  one.tick(120);
  return one;
};
const station = new DockingStation(
  'Dock 1',
  [cradle('VD-1001', 'sound'), cradle('VD-1002', 'poisonedCombustible'), cradle('VD-1009', 'sound')],
  { lot: 'FG-1402', expires: '2027-12-31', mixture: { O2: 18, CH4: 2.5, H2S: 25, CO: 100 } },
);
const log = [
  csvHeader(),
  ...station.work(new Date(Date.now() - 3_600_000)).map((row) => csvLine(row)),
  'Dock 1,never,Vantling,VT-60,VD-1001,bump,pass',
].join('\n');
console.log(JSON.stringify({ standIns, diagnosis: failed.run, bump: bump.run, log }));
await closeDatabase();
