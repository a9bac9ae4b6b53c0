import { matchChannels } from '@/core/live/match-channels';
import { LiveChannel, type LiveRule } from '@/core/live/live-channel';
import type { PlannedStep } from '@/core/run/plan-node';
import { missingReadings, readPairs } from '@/core/run/read-pairs';
import type { MaterialComponent, ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { TRACED } from '@/core/run/room.fixture';
import type { ScriptedRun } from '@/core/run/scripted';
import { waitSeconds } from '@/core/run/wait-seconds';
import { capturable, rulesFor } from '@/features/bench/live/live-rules';
import { MODELS } from '@/processes/seed/catalogue';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import { open, PLAIN_ROOM, plainAnswers } from './plain-day.fixture';

/** A gas family from the first step to the last on its simulated instrument: real responses, its own keys, what its display shows, gas for as long as its channels need to settle. */
export interface Family {
  model: string;
  mixture: Record<string, number>;
  components: [substance: string, value: string, unit: string][];
  filter?: 'co2' | 'charcoal';
  scenario?: string;
}
const FOUR: Family['components'] = [
  ['O2', '18', '%vol'],
  ['CH4', '2.5', '%vol'],
  ['H2S', '25', 'ppm'],
  ['CO', '100', 'ppm'],
];
const FOUR_GAS = { O2: 18, CH4: 2.5, H2S: 25, CO: 100 };
export const FAMILIES: Family[] = [
  { model: 'OF-440', mixture: FOUR_GAS, components: FOUR },
  { model: 'OF-410', mixture: FOUR_GAS, components: FOUR },
  { model: 'OF-120', mixture: { O2: 20.9, CO: 100 }, components: [['CO', '100', 'ppm']] },
  { model: 'VT-C2', mixture: { CO2: 5000 }, components: [['CO2', '5000', 'ppm']], filter: 'co2' },
  { model: 'OF-125', mixture: { O2: 20.9, CO: 100 }, components: [['CO', '100', 'ppm']] },
  { model: 'BN-H', mixture: { O2: 20.9, H2: 100 }, components: [['H2', '100', 'ppm']] },
  { model: 'OF-700', mixture: {}, components: [], filter: 'charcoal', scenario: 'dirtyBackground' },
  {
    model: 'BN-G',
    mixture: { CO2: 50_000, O2: 40, N2O: 50, agent: 2 },
    components: [
      ['CO2', '5.00', '%vol'],
      ['O2', '40', '%vol'],
      ['N2O', '50', '%vol'],
      ['agent', '2', '%vol'],
    ],
  },
  { model: 'VT-47', mixture: FOUR_GAS, components: FOUR },
];
const PURGE_SECONDS = 150;
const MOST_SECONDS = 300;
const ALARMS = { o2: { low: '19.5', high: '23.5' }, ex: { low: '10' }, h2s: { low: '10' }, co: { low: '35' } };

export class Day {
  readonly instrument: SimulatedInstrument;
  readonly run: ScriptedRun;
  private readonly live = new Map<string, LiveChannel>();

  constructor(
    readonly family: Family,
    readonly schools: Record<string, string> = {},
  ) {
    this.instrument = new SimulatedInstrument(INSTRUMENT_MODELS[family.model]!, 'S-1', SCENARIOS[family.scenario ?? 'sound'], 3);
    const bottle: ReferenceSnapshot = {
      id: 'bottle',
      kind: 'gas',
      name: 'bottle',
      lot: 'bottle',
      expires: '2099-01-31',
      availableL: '30',
      ...TRACED,
      components: family.components.map(([substance, value, unit]): MaterialComponent => ({
        substance,
        value,
        unit,
        expanded: '0.01',
        k: 2,
      })),
    };
    // Its own clock is today's: the date it writes down has to be the day of the run.
    this.run = open(family.model, { start: new Date(), more: [bottle], schools, alarms: ALARMS });
    this.pass(600);
  }

  pass(seconds: number): void {
    for (let i = 0; i < seconds; i += 1) {
      this.instrument.tick(1);
      if (this.live.size) this.listen();
    }
    this.run.wait(seconds);
  }

  private listen(): void {
    const frame = this.instrument.frame();
    for (const [id, live] of this.live) {
      const shown = frame.readings.find((one) => one.slot === this.slotOf(id))!;
      live.push(frame.seconds, shown.text, shown.status, null);
    }
  }

  /** Gas comes: every channel is watched as its line would be, by the sheet's own rules. */
  private watch(): void {
    this.live.clear();
    const rules = this.rules();
    for (const { id } of this.run.state.channels.filter((one) => one.status === 'fitted')) {
      const rule = rules[this.slotOf(id)];
      // Known before gas: what it shows in clean air.
      if (rule) this.live.set(id, new LiveChannel({ ...rule, expectedChange: null }));
    }
    this.listen();
    for (const live of this.live.values()) live.gas(this.instrument.frame().seconds);
  }

  private rules(present = this.run.current()[0]): Record<number, LiveRule> {
    const { channels } = MODELS.find((one) => one.name === this.family.model)!;
    const cards = Object.fromEntries(channels.flatMap(({ role, response }) => (response ? [[role, response]] : [])));
    return rulesFor(this.run.procedure, this.run.state, present, this.match(), cards);
  }

  /** Until a press of the capture key would have taken every channel once. */
  private settle(planned: PlannedStep): void {
    const rules = this.rules(planned);
    for (const [id, live] of this.live) live.setRule(rules[this.slotOf(id)]!);
    const waiting = new Set(this.live.keys());
    const phase = planned.step.kind === 'read' ? planned.step.phase : 'adjustment';
    for (let waited = 0; waited < MOST_SECONDS && waiting.size; waited += 2) {
      for (const id of waiting)
        if (capturable(this.live.get(id)!.look({ early: phase === 'asFound' }) ?? undefined, 'line', phase)) waiting.delete(id);
      if (waiting.size) this.pass(2);
    }
  }

  private match() {
    return matchChannels(this.instrument.hello(new Date()).channels, this.run.state.channels);
  }

  slotOf(channel: string): number {
    const match = this.match()[channel];
    if (!match || 'problem' in match) throw new Error(`${channel} is not on ${this.family.model}`);
    return match.slot;
  }

  shows(channel: string): string {
    return this.instrument.frame().readings.find((one) => one.slot === this.slotOf(channel))!.text;
  }

  /** Works through to the end. */
  work(): ScriptedRun {
    this.workUntil(/^$/);
    return this.run.do({ type: 'finish' });
  }

  /** Works on until this step is present. */
  workUntil(wanted: RegExp): void {
    for (let guard = 0; guard < 120; guard += 1) {
      const [planned] = this.run.current();
      if (!planned || wanted.test(planned.key)) return;
      this.step(planned);
    }
  }

  private step(planned: PlannedStep): void {
    const { run, instrument, family } = this;
    const { step, key, channel } = planned;
    switch (step.kind) {
      case 'wait':
        // A purge is given its time: what it shows at the end is the instrument's own.
        this.pass(step.clears ? Math.max(waitSeconds(step, run.state), PURGE_SECONDS) : waitSeconds(step, run.state));
        return void run.do({ type: 'completeStep', step: key });
      case 'condition':
        return void run.do({ type: 'completeStep', step: key, ...PLAIN_ROOM });
      case 'reference': {
        const slot = step.slots[0]!;
        const gas = run.procedure.slots.find((one) => one.id === slot)!.kind === 'gas';
        return void run.do({ type: 'bindReference', slot, reference: gas ? 'bottle' : slot, flowLPerMin: '0.5' });
      }
      case 'stimulus': {
        const gas = run.procedure.slots.find((one) => one.id === step.slot)!.kind === 'gas';
        instrument.bench(gas ? { mixture: step.on ? family.mixture : null } : { filter: step.on ? family.filter! : 'none' });
        run.do({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on });
        if (step.on && gas) this.watch();
        else this.live.clear();
        return this.pass(step.on ? (gas ? 3 : 90) : 5);
      }
      case 'check':
        return void run.do({ type: 'completeStep', step: key, answers: plainAnswers(step.items, planned, run) });
      case 'read':
        this.settle(planned);
        for (const pair of missingReadings(step, key, channel, run.procedure, run.state))
          run.do({ type: 'captureReading', step: key, ...pair, text: this.shows(pair.channel) });
        return;
      case 'adjust':
        return this.adjust(planned, step.points, step.together, step.action === 'zero');
      case 'save':
        instrument.press({ id: 'k', key: 'save' });
        return void run.do({ type: 'save', step: key, readBack: instrument.facts(new Date()).lastCalibration ?? '' });
      case 'bump':
        this.pass(10);
        return void run.do({
          type: 'bump',
          step: key,
          channels: Object.fromEntries(run.state.channels.map((one) => [one.id, { moved: true, rightWay: true }])),
          outputs: instrument.frame().alarm.on
            ? { sound: true, light: true, vibration: true }
            : { sound: false, light: false, vibration: false },
        });
      default:
        throw new Error(`a plain day decides nothing: ${key}`);
    }
  }

  private adjust(planned: PlannedStep, points: string[], together: boolean, zero: boolean): void {
    const { run, instrument } = this;
    const { key, channel } = planned;
    this.settle(planned);
    instrument.press({ id: 'k', key: 'acknowledge' });
    const channels = [
      ...new Set(readPairs({ points }, together ? undefined : channel, run.procedure, run.state).map((one) => one.channel)),
    ];
    const takes = (id: string) => {
      const { notices } = instrument.press({ id: 'k', key: zero ? 'zero' : 'span', slot: this.slotOf(id) });
      return notices.some((one) => one.notice === (zero ? 'zeroed' : 'spanned'));
    };
    const taken = channels.filter(takes);
    const refused = channels.filter((id) => !taken.includes(id));
    if (taken.length) run.do({ type: 'adjust', step: key, channels: taken, outcome: 'passed' });
    if (refused.length) run.do({ type: 'adjust', step: key, channels: refused, outcome: 'failed' });
  }
}

/** Seconds of calibration gas of a run, all openings together. */
export const gasSeconds = ({ state, procedure }: ScriptedRun): number =>
  state.stimuli
    .filter((span) => procedure.slots.find((one) => one.id === span.slot)?.kind === 'gas')
    .reduce((sum, span) => sum + (Date.parse(span.offAt!) - Date.parse(span.onAt)) / 1000, 0);
