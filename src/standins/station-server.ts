import { appendFileSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { INSTRUMENT_MODELS } from './instrument/models';
import { SCENARIOS } from './instrument/scenario';
import { SimulatedInstrument } from './instrument/simulated-instrument';
import { DockingStation } from './station/docking-station';
import { csvHeader, csvLine } from './station/write-log';

/**
 * A docking station as a process of its own: cradles with simulated instruments, its own schedule, log files in FOLDER. CRADLES (MODEL/SERIAL/SCENARIO, by comma), FORMAT (csv, jsonl),
 * EVERY_SECONDS between rounds, SPEED, LOT and EXPIRES of its gas, ROUNDS after which it ends (0: never) by environment.
 */
const {
  CRADLES = 'VT-60/VD-1001/sound,VT-60/VD-1002/poisonedCombustible,VT-60/VD-1003/sound',
  FORMAT = 'csv',
  FOLDER = '/tmp/werkbank-station',
  STATION = 'Dock 1',
  EVERY_SECONDS = '86400',
  SPEED = '1',
  LOT = 'FG-1402',
  EXPIRES = '2027-12-31',
  ROUNDS = '0',
} = process.env;

const cradles = CRADLES.split(',').map((text, index) => {
  const [model, serial, scenario = 'sound'] = text.split('/');
  if (!INSTRUMENT_MODELS[model!] || !serial || !SCENARIOS[scenario]) {
    console.error(`CRADLES must be MODEL/SERIAL/SCENARIO by comma, got ${text}.`);
    process.exit(1);
  }
  return new SimulatedInstrument(INSTRUMENT_MODELS[model!]!, serial, SCENARIOS[scenario], index + 1);
});
const station = new DockingStation(STATION, cradles, {
  lot: LOT,
  expires: EXPIRES,
  mixture: { O2: 18, CH4: 2.5, H2S: 25, CO: 100 },
});
mkdirSync(FOLDER, { recursive: true });
let rounds = 0;
const work = () => {
  const now = new Date();
  const file = join(FOLDER, `station-${now.toISOString().slice(0, 10)}.${FORMAT === 'csv' ? 'csv' : 'jsonl'}`);
  const fresh = !existsSync(file);
  const rows = station.work(now);
  const lines = rows.map((row) => (FORMAT === 'csv' ? csvLine(row) : JSON.stringify(row)));
  appendFileSync(file, `${[...(fresh && FORMAT === 'csv' ? [csvHeader()] : []), ...lines].join('\n')}\n`);
  console.log(`${STATION}: ${rows.length} rows in ${file}`);
  rounds += 1;
  if (Number(ROUNDS) > 0 && rounds >= Number(ROUNDS)) process.exit(0);
};
work();
const timer = setInterval(work, (Number(EVERY_SECONDS) * 1000) / Number(SPEED));
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    clearInterval(timer);
    process.exit(0);
  });
