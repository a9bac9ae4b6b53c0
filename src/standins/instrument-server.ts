import { readFileSync } from 'node:fs';
import { INSTRUMENT_MODELS } from './instrument/models';
import { SCENARIOS, type Scenario } from './instrument/scenario';
import { serveInstrument } from './instrument/serve';
import { SimulatedInstrument } from './instrument/simulated-instrument';
import { METER_MODELS } from './meter/meter-models';
import { PROBE_FAULTS, type ProbeFault } from './meter/probe-fault';
import { SimulatedMeter } from './meter/simulated-meter';

/** A simulated instrument as a process of its own. MODEL, SERIAL, SCENARIO (a name, or a JSON file), SEED, SPEED, PORT and PANEL_PORT by environment. */
const {
  MODEL = 'OF-410',
  SERIAL = 'SIM-1',
  SCENARIO = 'sound',
  SEED = '1',
  SPEED = '1',
  PORT = '0',
  PANEL_PORT = '0',
  FRAME_SECONDS = '0.25',
} = process.env;
const meter = METER_MODELS[MODEL];
const model = meter ?? INSTRUMENT_MODELS[MODEL];
if (!model) {
  console.error(
    `MODEL must be one of ${[...Object.keys(INSTRUMENT_MODELS), ...Object.keys(METER_MODELS)].join(', ')}, got ${MODEL}.`,
  );
  process.exit(1);
}
const known = meter ? PROBE_FAULTS : SCENARIOS;
const scenario = SCENARIO.endsWith('.json') ? (JSON.parse(readFileSync(SCENARIO, 'utf8')) as object) : known[SCENARIO];
if (!scenario) {
  console.error(`SCENARIO must be a file or one of ${Object.keys(known).join(', ')}, got ${SCENARIO}.`);
  process.exit(1);
}
const device = meter
  ? new SimulatedMeter(meter, SERIAL, scenario as ProbeFault, Number(SEED))
  : new SimulatedInstrument(INSTRUMENT_MODELS[MODEL]!, SERIAL, scenario as Scenario, Number(SEED));
const served = await serveInstrument(device, {
  port: Number(PORT),
  panelPort: Number(PANEL_PORT),
  speed: Number(SPEED),
  frameSeconds: Number(FRAME_SECONDS),
});
console.log(`${model.maker} ${model.model} ${SERIAL}: line on port ${served.port}, panel on port ${served.panelPort}`);
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void served.close().then(() => process.exit(0)));
