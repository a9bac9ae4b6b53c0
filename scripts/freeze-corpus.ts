// Freezes runs for the corpus: node node_modules/tsx/dist/cli.mjs scripts/freeze-corpus.ts. Writes only what is not there yet; a frozen run is never rewritten.
import { existsSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { contentHash } from '@/core/certificate/canonical';
import type { StartedData } from '@/core/record/event';
import { plan } from '@/core/run/plan';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import { summarise } from '@/core/results/summary';
import {
  asFound,
  fourGasChannels,
  FOUND,
  openFourGas,
  prepare,
  adjust,
  asLeft,
  signatory,
  startedFourGas,
  technician,
  wholeRun,
  mix,
} from '@/core/run/four-gas.fixture';
import { MODELS } from '@/processes/seed/catalogue';
import { fly } from '@/processes/seed/pilot';
import { Random } from '@/processes/seed/random';
import { shippedProcedure } from '@/procedures';

function freeze(name: string, run: ScriptedRun): void {
  const file = fileURLToPath(new URL(`../src/core/run/corpus/${name}.json`, import.meta.url));
  if (existsSync(file)) return;
  const frozen = {
    name,
    procedure: run.procedure,
    events: run.events,
    summary: summarise(run.procedure, run.state),
    steps: plan(run.procedure, run.state).length,
    stateHash: contentHash(JSON.parse(JSON.stringify(run.state))),
  };
  writeFileSync(file, `${JSON.stringify(frozen, null, 1)}\n`);
  console.log(`froze ${name}`);
}

const REFERENCES: ReferenceSnapshot[] = [
  mix,
  {
    ...mix,
    id: 'ref-ps',
    name: 'Five-gas mix',
    components: [
      ...mix.components.map((one) => (one.substance === 'CH4' ? { ...one, value: '1.45', expanded: '0.03' } : one)),
      { substance: 'SO2', value: '5.0', unit: 'ppm', expanded: '0.3', k: 2 },
    ],
  },
  {
    ...mix,
    id: 'ref-h2',
    name: 'Hydrogen in air',
    components: [{ substance: 'H2', value: '100', unit: 'ppm', expanded: '2', k: 2 }],
  },
  {
    id: 'ref-7',
    kind: 'buffer',
    name: 'Buffer 7.00',
    lot: 'B7',
    expires: '2027-06-30',
    components: [{ substance: 'technical-7.00', value: '7.00', unit: 'pH', expanded: '0.02', k: 2 }],
  },
  {
    id: 'ref-4',
    kind: 'buffer',
    name: 'Buffer 4.01',
    lot: 'B4',
    expires: '2027-06-30',
    components: [{ substance: 'technical-4.01', value: '4.01', unit: 'pH', expanded: '0.02', k: 2 }],
  },
];

function flown(id: string, model: string, choose: (slot: string, round: number) => string): ScriptedRun {
  const { channels, traits } = MODELS.find((candidate) => candidate.name === model)!;
  const started: Omit<StartedData, 'procedure'> = {
    ...startedFourGas,
    items: [{ id: 'body', part: 'body', assetId: 'a-1', model, serial: 'S-1', traits }],
    channels: channels.map((channel) => ({ ...channel, id: `c-${channel.role}`, item: 'body', status: 'fitted' })),
  };
  const run = new ScriptedRun(shippedProcedure(id)!, {
    run: `corpus-${id}`,
    actor: technician,
    start: new Date('2026-11-24T08:00:00.000Z'),
    references: REFERENCES,
  }).start(started);
  fly({
    run,
    random: new Random(7),
    behaviour: {
      foundError: Object.fromEntries(started.channels.map((channel) => [channel.id, -0.04])),
      dead: [],
      readAtZero: 0.5,
    },
    choose: (slot, round) => REFERENCES.find((one) => one.id === choose(slot, round))!,
  });
  return run;
}

freeze('family-04-plain', wholeRun().do({ type: 'approve' }, signatory));
freeze('family-04-second-try', wholeRun({ 'c-h2s': 1 }).do({ type: 'approve' }, signatory));
freeze(
  'family-04-failed-channel',
  asLeft(adjust(asFound(prepare(openFourGas()), { ...FOUND, 'c-ex': '5' }), { 'c-ex': 2 })).do({ type: 'finish' }),
);
const struck = wholeRun().do({ type: 'sendBack', note: 'bottle of a recalled lot' }, signatory);
freeze('family-04-struck-reference', struck.do({ type: 'strike', seq: struck.state.bindings[0]!.seq, reason: 'lot recalled' }));
freeze(
  'family-03-two-buffers',
  flown('digital-ph-probe', 'PG-31', (slot, round) => (slot === 'second' || round === 1 ? 'ref-7' : 'ref-4')),
);
freeze(
  'family-15-hydrogen',
  flown('hydrogen-breath-monitor', 'BN-H', () => 'ref-h2'),
);
freeze(
  'family-21-detector-pairs',
  flown('pumped-five-gas', 'VT-5P', () => 'ref-ps'),
);
const station = new ScriptedRun(shippedProcedure('automatic-station')!, {
  run: 'corpus-station',
  actor: technician,
  start: new Date('2026-11-24T08:00:00.000Z'),
  references: REFERENCES,
  source: 'imported',
}).start({ ...startedFourGas, origin: 'imported' });
station.do({
  type: 'bump',
  step: 'log/bump',
  channels: Object.fromEntries(fourGasChannels.map((channel) => [channel.id, { moved: channel.role !== 'ex', rightWay: true }])),
  outputs: { sound: true, light: true, vibration: true },
});
station.do({ type: 'bindReference', slot: 'cylinder-a', reference: 'ref-mix', flowLPerMin: '0.5' });
station.do({
  type: 'adjust',
  step: 'log/calibration/adjust',
  channels: fourGasChannels.map((channel) => channel.id),
  outcome: 'passed',
});
freeze('family-18-station-log', station);
