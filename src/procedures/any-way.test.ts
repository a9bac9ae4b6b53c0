import { describe, expect, it } from 'vitest';
import { often } from '@/core/often.fixture';
import { checkDocument } from '@/core/certificate/check/check-document';
import { certificateContent } from '@/core/certificate/content';
import { sourceOf } from '@/core/certificate/source.fixture';
import { describeAdjustments } from '@/core/certificate/describe';
import { describeProbes } from '@/core/certificate/describe-probes';
import { diagnoseWater } from '@/core/diagnosis/diagnose-water';
import { waterFactsOf } from '@/core/diagnosis/water-facts-of';
import { probeResults } from '@/core/probe/probe-result';
import { schoolsOf } from '@/core/procedure/schools-of';
import type { Command } from '@/core/run/command';
import type { RunChannel } from '@/core/record/event';
import { technician } from '@/core/run/four-gas.fixture';
import { allowed } from '@/core/run/handle';
import { inputsOfPoint } from '@/core/run/inputs-of-point';
import { plan } from '@/core/run/plan';
import type { PlannedStep } from '@/core/run/plan-node';
import { readPairs } from '@/core/run/read-pairs';
import { reduce } from '@/core/run/reduce';
import type { MaterialComponent, ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { EquipmentRole } from '@/core/procedure/equipment-role';
import { findings } from '@/core/run/findings';
import { waitSeconds } from '@/core/run/wait-seconds';
import { ScriptedRun } from '@/core/run/scripted';
import { outcomeOf } from '@/core/results/outcome';
import { summarise } from '@/core/results/summary';
import { MODELS } from '@/processes/seed/catalogue';
import { Random } from '@/processes/seed/random';
import { PROCEDURES, shippedProcedure } from './index';
import { TRACED } from '@/core/run/room.fixture';

const WALKS = often(10);
const COMMANDS = 160;
const ODD = ['', '0', '-1', '7.01', '999999', '20.9', '1e9', 'abc', '7,1', ' 4.01 ', '−3', '0.0000001', 'null'];

/** Something for every place of the procedure: what it needs, with values of the right unit; the place's own name is its lot. */
function shelfFor(procedureId: string, channels: RunChannel[]): ReferenceSnapshot[] {
  const part = (substance: string, unit: string, value: string): MaterialComponent => ({
    substance,
    unit,
    value,
    expanded: '0.01',
    k: 2,
  });
  const gasOf = ({ calibrationGas, unit }: RunChannel): MaterialComponent =>
    unit === '%LEL' ? part(calibrationGas!, '%vol', '2.5') : part(calibrationGas!, unit, unit === '%vol' ? '18' : '25');
  return shippedProcedure(procedureId)!.slots.map(({ id, kind, roles, needs = [] }) => ({
    id,
    kind,
    name: id,
    lot: id,
    ...TRACED,
    ...(roles ? { role: roles[0]! } : id in ROOM_ROLE ? { role: ROOM_ROLE[id]! } : {}),
    expires: '2099-01-31',
    components:
      needs === 'channelGases'
        ? channels.filter((one) => one.calibrationGas).map(gasOf)
        : needs.map((need) =>
            part(need, kind === 'buffer' ? 'pH' : kind === 'standard' ? 'µS/cm' : '1', kind === 'buffer' ? '7' : '1413'),
          ),
    ...(kind === 'gas' ? { availableL: '30' } : {}),
  }));
}

const ROOM_ROLE: Record<string, EquipmentRole> = {
  'room-thermometer': 'thermometer',
  barometer: 'barometer',
  hygrometer: 'hygrometer',
};

function open(model: (typeof MODELS)[number], random: Random): ScriptedRun {
  const procedure = shippedProcedure(model.procedureId!)!;
  const channels = model.channels.map((one): RunChannel => ({ ...one, id: `c-${one.role}`, item: 'body', status: 'fitted' }));
  const service = random.next() < 0.3 ? 'asFoundOnly' : 'calibrate';
  return new ScriptedRun(procedure, {
    run: `any-${model.name}`,
    actor: technician,
    start: new Date('2026-11-26T08:00:00.000Z'),
    references: shelfFor(model.procedureId!, channels),
  }).start({
    origin: 'guided',
    service,
    rule: 'simple',
    coverage: 0.9545,
    practice: random.next() < 0.2,
    items: [{ id: 'body', part: 'body', assetId: 'a', model: model.name, serial: '1', traits: model.traits }],
    channels,
    ...(procedure.schools?.length ? { schools: schoolsOf(procedure, model.traits) } : {}),
  });
}

/** What a hurried hand does at a step: mostly what it asks for, with values from anywhere. */
function hand(run: ScriptedRun, planned: PlannedStep, random: Random): Command {
  const { step, key, channel } = planned;
  const any = <T>(list: readonly T[]) => random.pick(list);
  const channelsOf = (points: string[]) => [
    ...new Set(readPairs({ points }, channel, run.procedure, run.state).map((one) => one.channel)),
  ];
  switch (step.kind) {
    case 'check': {
      const value = { passFault: ['pass', 'fault'], yesNo: ['yes', 'no'], number: ODD, text: ODD, sensorSerial: ['NEW-1', ''] };
      return {
        type: 'completeStep',
        step: key,
        answers: Object.fromEntries(step.items.map((item) => [item.id, { value: any(value[item.answer]) }])),
      };
    }
    case 'condition':
      return {
        type: 'completeStep',
        step: key,
        conditions: {
          temperatureC: any(['22', '-40', 'warm']),
          pressureHPa: any(['1013', '3']),
          humidityPercent: any(['45', '101']),
        },
        equipment: {
          temperatureC: any(['room-thermometer', 'room-thermometer', 'nothing']),
          pressureHPa: 'barometer',
          humidityPercent: 'hygrometer',
        },
      };
    case 'wait':
      return { type: 'completeStep', step: key, ...(random.next() < 0.7 ? { deviation: 'in a hurry' } : {}) };
    case 'reference':
      return { type: 'bindReference', slot: any(step.slots), reference: any([...step.slots, 'nothing']), flowLPerMin: '0.5' };
    case 'stimulus':
      return { type: 'changeStimulus', step: key, slot: step.slot, on: random.next() < 0.9 ? step.on : !step.on };
    case 'read': {
      const pair = any(readPairs(step, channel, run.procedure, run.state));
      if (!pair) return { type: 'skipStep', step: key, reason: 'no channel is left for it' };
      const point = run.procedure.points.find((one) => one.id === pair.point)!;
      const of = run.state.channels.find((one) => one.id === pair.channel)!;
      return {
        type: 'captureReading',
        step: key,
        ...pair,
        text: any(['0', '7.01', '20.9', '50', '25', '100', ...ODD]),
        status: any(['value', 'value', 'value', 'over', 'under', 'fault', 'flicker']),
        inputs: Object.fromEntries(inputsOfPoint(point, of).map(({ name }) => [name, any(['22.0', '-3.0', '171', ...ODD])])),
      };
    }
    case 'adjust':
      return {
        type: 'adjust',
        step: key,
        channels: random.next() < 0.8 ? channelsOf(step.points) : channelsOf(step.points).slice(1),
        outcome: any(['passed', 'failed', 'applied', 'discarded']),
      };
    case 'save':
      return { type: 'save', step: key, readBack: any(['2026-11-26', '']), lost: random.next() < 0.3 };
    case 'bump':
      return {
        type: 'bump',
        step: key,
        channels: Object.fromEntries(
          run.state.channels.map((one) => [one.id, { moved: random.next() < 0.8, rightWay: random.next() < 0.8 }]),
        ),
        outputs: Object.fromEntries(step.outputs.map((output) => [output, random.next() < 0.8])),
      };
    case 'care':
      return { type: 'care', step: key, ...(step.uses ? { note: 'from another shelf' } : {}) };
    case 'decide':
      return {
        type: 'decide',
        step: key,
        option: any([...step.options.map((one) => one.id), 'nothing']),
        ...(random.next() < 0.7 ? { note: 'seen to' } : {}),
      };
  }
}

const isGas = (run: ScriptedRun, slot: string) => {
  const found = run.procedure.slots.find((one) => one.id === slot);
  return found?.kind === 'gas' && found.needs === 'channelGases';
};

/** What must never be, whatever was pressed: an adjustment where only the as-found was asked for, a zero in open gas, a good word over something bad that is open. */
function keepsTheRules(run: ScriptedRun, command: Command, gasOpen: boolean): void {
  const { procedure, state } = run;
  if (command.type === 'adjust') {
    expect(state.started!.service).not.toBe('asFoundOnly');
    if (['zero', 'quick', 'fineZero'].includes(state.adjustments.at(-1)!.action)) expect(gasOpen, command.step).toBe(false);
  }
  const open = findings(procedure, state).some((one) => one.followed === null);
  if (open || state.bumps.at(-1)?.outcome === 'failed') expect(outcomeOf(procedure, state)).not.toMatch(/passed|limited|bumped/);
  if (open && !state.ending) expect(run.try({ type: 'finish' })).not.toBeNull();
}

/** Every way ends: whatever was done before, somebody who does what is asked, or leaves it out, comes to the end. */
function bringToItsEnd(run: ScriptedRun): void {
  if (run.state.status !== 'open') return;
  const random = new Random(1);
  for (let guard = 0; guard < 600; guard += 1) {
    const [planned] = run.current();
    if (!planned) break;
    const { step, key } = planned;
    if (step.kind === 'wait') run.wait(waitSeconds(step, run.state));
    const seq = run.state.seq;
    if (step.kind === 'decide') run.try({ type: 'decide', step: key, option: step.options.at(-1)!.id, note: 'seen to' });
    else if (step.kind === 'stimulus') run.try({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on });
    else run.try(hand(run, planned, random));
    if (run.state.seq === seq) run.try({ type: 'skipStep', step: key, reason: 'it can’t be done here' });
  }
  expect(run.current().map((one) => one.key)).toEqual([]);
  expect(run.try({ type: 'finish' })).toBeNull();
}

/** … and now and then something that belongs nowhere. */
function stray(run: ScriptedRun, random: Random): Command {
  const { state, procedure } = run;
  const any = <T>(list: readonly T[]) => random.pick(list);
  const steps = plan(procedure, state).map((one) => one.key);
  const channel = any(state.channels).id;
  return any<Command>([
    { type: 'strike', seq: Math.floor(random.next() * (state.seq + 3)), reason: any(['', 'misread']) },
    { type: 'skipStep', step: any(steps), reason: any(['', 'not today']) },
    { type: 'enterStep', step: any([...steps, 'nowhere']) },
    { type: 'note', text: 'seen' },
    { type: 'replacePart', channel, part: 'sensor', newSerial: any(['', 'S-2']) },
    { type: 'captureReading', step: any(steps), point: any(procedure.points).id, channel, text: any(ODD) },
    { type: 'adjust', step: any(steps), channels: [channel, 'c-nobody'], outcome: 'passed' },
    {
      type: 'changeStimulus',
      step: any(steps),
      slot: any([...procedure.slots.map((one) => one.id), 'nothing']),
      on: random.next() < 0.5,
    },
    { type: 'decide', step: any(steps), option: 'goOn' },
    { type: 'finish' },
    { type: 'approve' },
    {
      type: 'changeSetting',
      kind: 'alarm',
      setting: 'alarm',
      before: '10',
      after: any(['', '20']),
      agreedBy: any(['', 'the customer']),
    },
  ]);
}

describe('whatever is done at the bench, in whatever order', () => {
  const models = PROCEDURES.flatMap(({ id }) => MODELS.find((one) => one.procedureId === id) ?? []);
  it('every procedure but the bump has a model to be walked with', () => {
    const walked = new Set(models.map((one) => one.procedureId));
    expect(PROCEDURES.filter((one) => !walked.has(one.id)).map((one) => one.id)).toEqual(['bump-test']);
  });
  it.each(models.map((model) => [model.procedureId, model] as const))(
    '%s: it is done or refused with a sentence; the plan stays sound; the events alone give the same state',
    (_id, model) => {
      let [done, refused] = [0, 0];
      for (let walk = 1; walk <= WALKS; walk += 1) {
        const random = new Random(walk);
        const run = open(model, random);
        for (let i = 0; i < COMMANDS && run.state.status === 'open'; i += 1) {
          run.wait(1 + Math.floor(random.next() * 90));
          const current = run.current();
          const planned = current[Math.floor(random.next() * current.length)];
          const command =
            planned && random.next() < 0.88
              ? hand(run, planned, random)
              : planned
                ? stray(run, random)
                : { type: 'finish' as const };
          const gasOpen = run.state.stimuli.some((span) => span.offAt === null && isGas(run, span.slot));
          const refusal = run.try(command);
          if (!refusal) keepsTheRules(run, command, gasOpen);
          if (refusal) {
            refused += 1;
            expect(refusal.sentence, JSON.stringify(command)).toMatch(/^\S.*[.!?]$/s);
            // A step that takes nothing more is left out, as a person would.
            if (planned && random.next() < 0.25)
              run.try({ type: 'skipStep', step: planned.key, reason: 'it can’t be done here' });
          } else done += 1;
          const whole = plan(run.procedure, run.state);
          // What may be worked on is found without the whole plan, and is what the whole plan has first.
          expect(run.current()[0]).toEqual(whole.find((one) => one.status === 'todo' || one.status === 'open'));
          const keys = whole.map((one) => one.key);
          expect(new Set(keys).size).toBe(keys.length);
          expect(allowed({ procedure: run.procedure, state: run.state }).length).toBeGreaterThan(0);
        }
        expect(reduce(run.state.run, JSON.parse(JSON.stringify(run.events)) as typeof run.events)).toEqual(
          JSON.parse(JSON.stringify(run.state)),
        );
        bringToItsEnd(run);
        expect(findings(run.procedure, run.state).filter((one) => one.followed === null)).toEqual([]);
        const summary = summarise(run.procedure, run.state);
        // Printed figures add up, each side of a result comes from its own event, and the document bears itself out.
        for (const line of summary.lines)
          for (const [side, phase] of [
            ['found', 'asFound'],
            ['left', 'asLeft'],
          ] as const) {
            const judged = line[side];
            if (!judged) continue;
            const own = run.state.readings.find((one) => one.seq === judged.seq)!;
            expect(own.phase).toBe(side === 'left' && line.leftIsFound ? 'asFound' : phase);
            if (judged.reference !== null) expect(judged.reference).toBe(own.judgement.reference);
            if (judged.expanded !== null)
              expect([judged.expanded, judged.verdict]).toEqual([own.judgement.expanded, own.judgement.state]);
          }
        const content = certificateContent(sourceOf(run));
        expect(checkDocument(content)).toEqual([]);
        expect(JSON.stringify(content)).not.toMatch(/undefined|NaN|Infinity/);
        expect(
          probeResults({ procedure: run.procedure, state: run.state }).every((one) =>
            one.points.every(({ value }) => Number.isFinite(value)),
          ),
        ).toBe(true);
        const facts = run.state.channels.flatMap(
          (channel) => waterFactsOf({ procedure: run.procedure, state: run.state, channel }) ?? [],
        );
        expect(facts.flatMap(diagnoseWater).every((one) => Number.isFinite(one.score))).toBe(true);
        const said = describeProbes(run.procedure, run.state).flatMap((one) => one.lines);
        expect(said.filter((line) => /undefined|NaN|Infinity/.test(line))).toEqual([]);
        expect(describeAdjustments(run.state).every((line) => !/undefined|NaN/.test(line))).toBe(true);
      }
      expect(done).toBeGreaterThan(WALKS * 3);
      expect(refused).toBeGreaterThan(0);
    },
    30_000,
  );
});
