import type { CertificateVersion2 } from '@/core/certificate';
import { contentHash } from '@/core/certificate/canonical';
import { certificateContent, type CertificateSource } from '@/core/certificate/content';
import { revisedContent } from '@/core/certificate/revised';
import { withdrawalContent } from '@/core/certificate/withdrawal';
import { standingReading } from '@/core/record/state';
import type { ScriptedRun } from '@/core/run/scripted';
import { equipmentFor } from '../seed/pilot';
import { LIQUIDS, ROOM, SHELF } from './references';
import { begin, inGas, inWater, SIGNATORY, TECHNICIAN } from './runs';

export interface Sample {
  name: string;
  content: CertificateVersion2;
}

const SOFTWARE = { name: 'Werkbank', version: '0.1.0', commit: 'samples' };
const ISSUED = '2026-11-25';

export const sourceOf = (run: ScriptedRun, number: string, previous: CertificateVersion2['previous']): CertificateSource => ({
  procedure: run.procedure,
  state: run.state,
  number,
  previous,
  software: SOFTWARE,
  laboratory: {
    name: 'Port Ambrel Instrument Workshop',
    address: 'Ropewalk 5, Port Ambrel',
    contact: '+00 555 0142, workshop@port-ambrel.example',
  },
  place: 'Workshop, Ropewalk 5',
  customer: { name: 'Ambrel Ship Repair Yard', address: 'Dock 3, Port Ambrel', contact: 'Runa Oskeld' },
  item: {
    maker: 'Ordfell',
    model: run.state.started!.items[0]!.model,
    serial: run.state.started!.items[0]!.serial,
    tag: 'ASR-001',
    condition: ['Inspected on receipt: no fault found (Case, clip and display; Keys).'],
  },
  received: '2026-11-23',
  issued: ISSUED,
  calibrated: { from: '2026-11-24', to: '2026-11-24' },
  due: null,
  suppliedByCustomer: ['Customer’s tag: ASR-001.'],
  authorisedBy: SIGNATORY,
  authorisedAt: '2026-11-25T09:30:00.000Z',
  lastHash: contentHash(run.events),
  annexes: { budgets: true, traces: false },
});

/** A station's log taken in: one calibration, read before and after by the station itself. */
export function imported(model: string): ScriptedRun {
  const run = begin(model, [SHELF.four], { origin: 'imported', source: 'imported' });
  const slot = run.procedure.slots.find((one) => one.kind === 'gas')!.id;
  const point = run.procedure.points[0]!.id;
  run.do({ type: 'bindReference', slot, reference: SHELF.four.id, flowLPerMin: '0.5' });
  run.do({ type: 'decide', step: 'log/work', option: 'calibration' });
  const read = (step: string, texts: Record<string, string>) =>
    run.state.channels.forEach((channel) =>
      run.do({ type: 'captureReading', step, point, channel: channel.id, text: texts[channel.role]! }),
    );
  read('log/calibration/before', { o2: '17.9', ex: '48', h2s: '24.0', co: '97' });
  run.do({
    type: 'adjust',
    step: 'log/calibration/adjust',
    channels: run.state.channels.map((one) => one.id),
    outcome: 'passed',
  });
  read('log/calibration/after', { o2: '18.0', ex: '50', h2s: '25.0', co: '100' });
  return run.do({ type: 'finish' });
}

/** A cracked glass found at the first look: it goes back as it came. */
function sentHome(): ScriptedRun {
  const run = begin('PG-22', LIQUIDS);
  const thermometer = ROOM.find((one) => one.role === 'thermometer')!;
  run.do({
    type: 'completeStep',
    step: 'place',
    conditions: { temperatureC: '21.6', pressureHPa: '1008', humidityPercent: '46' },
    equipment: equipmentFor(run),
  });
  run.do({ type: 'bindReference', slot: 'thermometer', reference: thermometer.id });
  run.do({
    type: 'captureReading',
    step: 'temperature',
    point: 'temperature',
    channel: 'c-temperature',
    text: '21.7',
    inputs: { comparison: '21.6' },
  });
  run.do({
    type: 'completeStep',
    step: 'look',
    answers: { glass: { value: 'fault', note: 'Cracked at the tip' }, plug: { value: 'pass' }, dry: { value: 'no' } },
  });
  run.do({ type: 'decide', step: run.current()[0]!.key, option: 'return' });
  return run.do({ type: 'finish' });
}

/** A figure found wrong after approval: reopened, corrected with its reason, approved again. */
function mended(): { before: ScriptedRun; after: ScriptedRun } {
  const make = () => inGas('OF-410', SHELF.four, { seed: 12 }).do({ type: 'approve' }, SIGNATORY);
  const after = make().wait(86_400).do({ type: 'reopen', reason: 'A figure was written down wrong' }, SIGNATORY);
  const wrong = standingReading(after.state, { channel: 'c-co', phase: 'asFound', point: 'span' })!;
  after.do(
    {
      type: 'correct',
      seq: wrong.seq,
      text: String(Number(wrong.reading.text) - 1),
      reason: 'Slip of the keys: the trace shows one less',
    },
    TECHNICIAN,
  );
  return { before: make(), after: after.do({ type: 'finish' }).do({ type: 'approve' }, SIGNATORY) };
}

/** Every sample in the order in which it was issued, each with the hash of the one before. */
export function sampleDocuments(): Sample[] {
  const samples: Sample[] = [];
  let serial = 0;
  const previous = (): CertificateVersion2['previous'] => {
    const last = samples.at(-1)?.content;
    return last
      ? { number: last.revision ? `${last.number} revision ${last.revision}` : last.number, hash: contentHash(last) }
      : null;
  };
  const add = (name: string, run: ScriptedRun) => {
    serial += 1;
    const number = `C-2026-${String(serial).padStart(5, '0')}`;
    samples.push({ name, content: certificateContent(sourceOf(run, number, previous())) });
  };
  const tools = (...all: (keyof typeof SHELF)[]) => ({ tools: all.map((one) => SHELF[one]) });
  add('four-gas', inGas('OF-410', SHELF.four));
  add('four-gas-bottle-changed', inGas('OF-410', SHELF.four, { second: SHELF.fourOther, seed: 9 }));
  add('pentane-scale', inGas('VT-5P', SHELF.simulant));
  add('infrared-carbon-dioxide', inGas('VT-C2', SHELF.dioxide, tools('scrubber')));
  add('breathing-gas', inGas('BN-G', SHELF.breathing));
  add(
    'breath-alcohol-975-hpa',
    inGas('BN-A', SHELF.dry, { room: { temperatureC: '22.1', pressureHPa: '975', humidityPercent: '41' } }),
  );
  add('hydrogen', inGas('BN-H', SHELF.hydrogen));
  add('voc-zero-only', inGas('OF-700', SHELF.zeroTube, tools('zeroTube')));
  add('ph-two-buffers-two-temperatures', inWater('PG-22', { roomC: 20.4, laterC: 24.1 }));
  add('ph-three-buffers', inWater('PG-90'));
  add('conductivity', inWater('PG-70'));
  add('oxygen-at-altitude', inWater('SM-20', { roomC: 18.6, pressureHPa: 846 }));
  add('combined-instrument', inWater('SM-11'));
  add('digital-probe', inWater('PG-3P'));
  add('as-found-only', inGas('OF-410', SHELF.four, { service: 'asFoundOnly', seed: 4 }));
  add('failed-out-of-service', inGas('OF-410', SHELF.four, { dead: ['c-ex'], decide: 'outOfService', seed: 5 }));
  add('bump', inGas('OF-410', SHELF.four, { procedure: 'bump-test' }));
  add('bump-failed', inGas('OF-410', SHELF.four, { procedure: 'bump-test', silent: true, decide: 'outOfService' }));
  add('imported-station-row', imported('VT-60'));
  add('returned-uncalibrated', sentHome());
  const { before, after } = mended();
  add('to-be-revised', before);
  const first = samples.at(-1)!.content;
  samples.push({
    name: 'revision',
    content: revisedContent({
      previous: first,
      next: certificateContent({ ...sourceOf(after, first.number, previous()), issued: '2026-11-26' }),
      reason: 'A figure was written down wrong',
    }),
  });
  const withdrawn = samples[0]!.content;
  samples.push({
    name: 'withdrawal',
    content: withdrawalContent({
      withdrawn,
      hash: contentHash(withdrawn),
      reason: 'The instrument was dropped on the way out; results no longer hold',
      number: 'W-2026-00001',
      previous: previous(),
      issued: '2026-11-26',
      authorisedBy: SIGNATORY,
      authorisedAt: '2026-11-26T08:00:00.000Z',
      software: SOFTWARE,
    }),
  });
  return samples;
}
