import type { Traits } from '@/core/instrument/traits';
import { describe, expect, it } from 'vitest';
import { diagnose } from '@/core/diagnosis/diagnose';
import type { CauseCode } from '@/core/diagnosis/facts';
import { nextTest } from '@/core/diagnosis/next-test';
import type { CheckItem } from '@/core/procedure/procedure';
import { matchChannels } from '@/core/live/match-channels';
import type { Notice } from '@/core/live/said';
import { LiveChannel } from '@/core/live/live-channel';
import type { RunChannel } from '@/core/record/event';
import { fourGasChannels, mix, technician } from '@/core/run/four-gas.fixture';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import { shippedProcedure } from '@/procedures';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import { diagnosisFacts } from './diagnosis-facts';
import { capturable, rulesFor } from '../live/live-rules';
import type { Sheet } from '../sheet';
import { suggestAnswers } from '../steps/suggest-answers';
import { ROOM_EQUIPMENT, ROOM_REFERENCES } from '@/core/run/room.fixture';

const FOUR = { O2: 18, CH4: 2.5, H2S: 25, CO: 100 };
const demand: ReferenceSnapshot = {
  id: 'demand',
  kind: 'tool',
  role: 'regulator',
  name: 'Demand regulator',
  lot: 'D',
  components: [],
  detail: { demand: true },
};
const fixed: ReferenceSnapshot = { ...demand, id: 'fixed', name: 'Regulator 0.5', detail: { flowLPerMin: '0.5' } };

/** A simulated instrument at a run sheet: its frames go through the same analysis as in the worker, and what settles is captured by the same rule. */
class Bench {
  readonly instrument: SimulatedInstrument;
  readonly run: ScriptedRun;
  readonly slots: Record<number, LiveChannel> = {};
  notices: (Notice & { at: string })[] = [];
  blocked = false;
  gasSince = false;

  constructor(
    scenario: string,
    {
      model = 'OF-410',
      procedure = 'pump-diffusion-four-gas',
      channels = fourGasChannels,
      traits = {} as Traits,
      regulator = fixed,
      references = [mix],
    } = {},
  ) {
    this.instrument = new SimulatedInstrument(INSTRUMENT_MODELS[model]!, 'S', SCENARIOS[scenario], 5);
    this.instrument.tick(60);
    this.run = new ScriptedRun(shippedProcedure(procedure)!, {
      run: 'r',
      actor: technician,
      start: new Date('2026-11-25T08:00:00Z'),
      references: [...references, regulator, ...ROOM_REFERENCES],
    });
    this.run.start({
      origin: 'guided',
      service: 'calibrate',
      rule: 'simple',
      coverage: 0.9545,
      practice: false,
      items: [{ id: 'body', part: 'body', assetId: 'a', model, serial: 'S', traits }],
      channels,
    });
    this.toGas(regulator);
  }

  /** Everything before the first gas, answered as a technician would. */
  private toGas(regulator: ReferenceSnapshot): void {
    for (let guard = 0; guard < 12; guard += 1) {
      const { step, key } = this.run.step();
      if (step.kind === 'stimulus' || step.kind === 'read') return;
      if (step.kind === 'wait') this.run.wait(step.minSeconds).do({ type: 'completeStep', step: key });
      else if (step.kind === 'check') this.run.do({ type: 'completeStep', step: key, answers: this.answers(step.items) });
      else if (step.kind === 'condition')
        this.run.do({
          type: 'completeStep',
          step: key,
          conditions: { temperatureC: '21', pressureHPa: '1013', humidityPercent: '40' },
          equipment: ROOM_EQUIPMENT,
        });
      else if (step.kind === 'reference') step.slots.forEach((slot) => this.bind(slot, regulator));
    }
  }

  /** What the instrument says itself where it does, else that all is well. */
  private answers(items: CheckItem[]) {
    const said = suggestAnswers(items, this.sheet.view.line);
    const well = { number: '0', passFault: 'pass', yesNo: 'yes', text: 'none', sensorSerial: 'N-1' };
    return Object.fromEntries(items.map((item) => [item.id, { value: said[item.id] ?? well[item.answer] }]));
  }

  private bind(slot: string, regulator: ReferenceSnapshot): void {
    const kind = this.run.procedure.slots.find((one) => one.id === slot)!.kind;
    const reference = kind === 'tool' ? 'tool' : 'ref-mix';
    this.run.do({ type: 'bindReference', slot, reference, ...(kind === 'gas' ? { regulator: regulator.id } : {}) });
  }

  get match() {
    return matchChannels(this.instrument.hello(new Date()).channels, this.run.state.channels);
  }

  watch(seconds: number): void {
    const rules = rulesFor(this.run.procedure, this.run.state, this.run.current()[0], this.match);
    for (let i = 0; i < seconds * 4; i += 1) {
      this.notices.push(...this.instrument.tick(0.25).map((notice) => ({ ...notice, at: '2099-01-01T00:00:00.000Z' })));
      const frame = this.instrument.frame();
      if (this.gasSince && frame.pump === 'blocked') this.blocked = true;
      for (const reading of frame.readings) {
        const rule = rules[reading.slot];
        if (!rule) continue;
        const channel = (this.slots[reading.slot] ??= new LiveChannel(rule));
        channel.setRule(rule);
        channel.push(frame.seconds, reading.text, reading.status, reading.raw ?? null);
      }
    }
  }

  gas(mixture: Record<string, number> | null): void {
    this.instrument.world.mixture = mixture;
    this.gasSince = mixture !== null;
    const now = this.instrument.frame().seconds;
    Object.values(this.slots).forEach((channel) => channel.gas(mixture ? now : null));
  }

  get sheet(): Sheet {
    const hello = { ...this.instrument.hello(new Date()), facts: this.instrument.facts(new Date()) };
    return {
      run: { state: this.run.state },
      view: {
        procedure: this.run.procedure,
        today: '2026-11-25',
        shelf: [demand, fixed],
        match: this.match,
        line: { hello, seenAt: new Date().toISOString() },
        raw: { outputs: {}, installedOn: {} },
      },
      live: {
        looks: Object.fromEntries(
          Object.entries(this.slots).flatMap(([slot, channel]) => {
            const look = channel.look();
            return look ? [[slot, look]] : [];
          }),
        ),
        frame: this.instrument.frame(),
        notices: this.notices,
        blockedInGas: this.blocked,
      },
    } as unknown as Sheet;
  }

  /** Captures what has settled, as the key does. */
  capture(): void {
    const planned = this.run.step();
    if (planned.step.kind !== 'read') throw new Error('no reading step');
    for (const point of planned.step.points)
      for (const channel of this.run.state.channels) {
        const match = this.match[channel.id];
        const look = match && 'slot' in match ? this.slots[match.slot]?.look() : undefined;
        const taken = capturable(look ?? undefined, '00000000-0000-4000-8000-000000000000', planned.step.phase);
        if (taken && this.run.procedure.points.find((one) => one.id === point)?.channels.includes(channel.role))
          this.run.do({
            type: 'captureReading',
            step: planned.key,
            point,
            channel: channel.id,
            text: taken.text,
            capture: taken.capture,
          });
      }
  }

  causes(): CauseCode[] {
    return diagnose(diagnosisFacts(this.sheet)).map((one) => one.code);
  }
}

/** Clean air, then gas for two minutes, looked at while it flows. */
function inGas(scenario: string, options: ConstructorParameters<typeof Bench>[1] = {}, seconds = 120): Bench {
  const bench = new Bench(scenario, options);
  bench.watch(30);
  if (bench.run.step().step.kind === 'read') bench.capture();
  if (bench.run.step().step.kind === 'stimulus')
    bench.run.do({ type: 'changeStimulus', step: bench.run.step().key, slot: 'mix', on: true });
  bench.gas(FOUR);
  bench.watch(seconds);
  return bench;
}
const pumped = { model: 'VT-47', traits: { pumped: true } as Traits, regulator: demand };

describe('each fault at a simulated instrument: the true cause is among the first two, and the next test tells it from the other', () => {
  const told = (bench: Bench, cause: CauseCode) => {
    const causes = bench.causes();
    expect(causes.slice(0, 2)).toContain(cause);
    const ranked = diagnose(diagnosisFacts(bench.sheet));
    const other = ranked.slice(0, 2).find((one) => one.code !== cause)?.code ?? null;
    if (other) expect(nextTest(cause, other).tells).toContain(other);
  };
  it('a sound instrument gives no cause', () => {
    expect(inGas('sound').causes()).toEqual([]);
    expect(inGas('sound', pumped).causes()).toEqual([]);
  });
  it('poisoned combustible sensor: moves to 5 of 50', () => told(inGas('poisonedCombustible'), 'poisonedSensor'));
  it('stuck oxygen', () => told(inGas('stuckOxygen'), 'stuckSensor'));
  it('slow response', () => told(inGas('slowResponse', {}, 400), 'slowSensor'));
  it('dying toxic sensor, raw output low', () => told(inGas('dyingToxic'), 'dyingSensor'));
  it('faded hydrogen sulphide', () => told(inGas('fadedSulphide'), 'fadedGas'));
  it('kinked tube at a pump', () => told(inGas('kinkedTube', pumped), 'kinkedTube'));
  it('kinked tube without a pump', () => told(inGas('kinkedTube'), 'kinkedTube'));
  it('weak pump', () => told(inGas('weakPump', pumped, 400), 'weakPump'));
  it('wrong regulator', () => told(inGas('wrongRegulator', { ...pumped, regulator: fixed }, 400), 'wrongRegulator'));
  it('absent sensor', () => told(inGas('absentSensor'), 'absentSensor'));
  it('wrong clock', () => told(inGas('wrongClock'), 'wrongClock'));
  it('dead buzzer, seen in a watched bump', () => {
    const bench = new Bench('deadBuzzer', { procedure: 'bump-test' });
    bench.watch(5);
    bench.run.do({ type: 'changeStimulus', step: 'on', slot: 'mix', on: true });
    bench.gas(FOUR);
    bench.watch(60);
    const { alarm } = bench.instrument.frame();
    bench.run.do({
      type: 'bump',
      step: 'watched',
      channels: Object.fromEntries(fourGasChannels.map((one) => [one.id, { moved: true, rightWay: true }])),
      outputs: { sound: alarm.sound, light: alarm.light, vibration: alarm.vibration },
    });
    expect(bench.run.state.bumps[0]).toMatchObject({ outcome: 'failed', reasons: ['No sound.'] });
    told(bench, 'deadOutput');
  });
  it('missed save: the instrument goes back to its old calibration and says so', () => {
    const bench = inGas('missedSave');
    bench.capture();
    bench.run.do({ type: 'changeStimulus', step: bench.run.step().key, slot: 'mix', on: false });
    bench.gas(null);
    bench.watch(200);
    bench.run.wait(60).do({ type: 'completeStep', step: bench.run.step().key });
    bench.instrument.press({ id: 'a', key: 'acknowledge' });
    expect(bench.instrument.press({ id: 'z', key: 'zero' }).answer.ok).toBe(true);
    bench.run.do({
      type: 'adjust',
      step: bench.run.step().key,
      channels: fourGasChannels.map((one) => one.id),
      outcome: 'passed',
    });
    bench.instrument.press({ id: 's', key: 'save' });
    bench.watch(90);
    expect(bench.notices.map((one) => one.notice)).toContain('saveLost');
    told(bench, 'missedSave');
  });

  const co2: RunChannel = {
    ...fourGasChannels[3]!,
    id: 'c-co2',
    role: 'co2',
    label: 'CO₂',
    measurand: 'carbon dioxide',
    calibrationGas: 'CO2',
    resolution: '10',
    highest: '50000',
    tolerance: { absolute: '50', zero: '50' },
    principle: 'infrared',
  };
  const scrubber: ReferenceSnapshot = {
    id: 'tool',
    kind: 'tool',
    role: 'scrubber',
    name: 'Scrubber',
    lot: 'S',
    components: [{ substance: 'CO2 scrubber', value: '1', unit: '1', expanded: '0', k: 2 }],
  };
  it('spent scrubber: the zero does not come down through it', () => {
    const bench = new Bench('spentScrubber', {
      model: 'VT-C2',
      procedure: 'infrared-carbon-dioxide',
      channels: [co2],
      references: [{ ...mix, components: [{ substance: 'CO2', value: '5000', unit: 'ppm', expanded: '50', k: 2 }] }, scrubber],
    });
    bench.watch(30);
    bench.run.do({ type: 'changeStimulus', step: 'scrub-on', slot: 'scrubber', on: true });
    bench.instrument.world.filter = 'co2';
    bench.watch(150);
    bench.run.wait(60).do({ type: 'completeStep', step: 'scrub-wait' });
    bench.watch(30);
    bench.capture();
    expect(bench.run.state.readings[0]!.judgement.state).toBe('outside');
    told(bench, 'spentScrubber');
  });
  const voc: RunChannel = {
    ...co2,
    id: 'c-voc',
    role: 'voc',
    label: 'VOC',
    measurand: 'volatile organics',
    unit: 'ppb',
    resolution: '1',
    highest: '20000',
    tolerance: { absolute: '20', zero: '20' },
  };
  it('dirty background: strong organics at the bench come through a tube that is not on', () => {
    const bench = new Bench('dirtyBackground', {
      model: 'OF-700',
      procedure: 'area-monitor-voc',
      channels: [voc],
      traits: { pumped: true } as Traits,
      references: [{ ...scrubber, components: [{ substance: 'charcoal', value: '1', unit: '1', expanded: '0', k: 2 }] }],
    });
    bench.watch(30);
    bench.run.do({ type: 'changeStimulus', step: 'tube-on', slot: 'tube', on: true });
    bench.run.wait(60).do({ type: 'completeStep', step: 'tube-wait' });
    // Somebody forgot to put the tube on: the background stays.
    bench.watch(60);
    bench.capture();
    told(bench, 'dirtyBackground');
  });
});
