import { LINE_PROTOCOL, type Answer, type Facts, type Frame, type Hello, type Key, type Notice } from '@/core/live/said';
import { normalFrom, seededUniform } from '@/core/uncertainty/random';
import { SimulatedChannel, type Calibration } from './channel';
import type { InstrumentModel } from './models';
import type { Scenario } from './scenario';
import { Sensor } from './sensor';
import { atInlet, flowOf, newWorld, type World } from './world';
import { ownDay } from '../own-day';

export { CLEAN_AIR, type World } from './world';

const BLOCK_ALARM_AFTER_SECONDS = 4;
/** It stays in its calibration mode so long after a key. */
const IN_BETWEEN_SECONDS = 1800;
/** … and so long after the last channel was spanned, where it saves by itself. */
const AT_THE_END_SECONDS = 60;

/** A portable gas monitor in numbers: sensors that follow what streams past, keys, alarms, pump, save with its deadline. Time only passes by `tick`. */
export class SimulatedInstrument {
  readonly world: World;
  private readonly channels: SimulatedChannel[];
  private readonly normal: () => number;
  private seconds = 0;
  private blockedFor = 0;
  private pumpOn: boolean;
  private alarm = { on: false, latched: false };
  private raws: number[];
  /** What the calibration was before, and until when a save keeps the new one. */
  private unsaved: { before: Calibration[]; until: number } | null = null;
  /** Until when it is in its calibration mode: the alarms are muted, or gas could never be spanned. */
  private calibratingUntil = 0;
  private readonly spanned = new Set<number>();
  private clockAhead: number;
  private lastCalibration: string | undefined;
  private dueInDays: number;
  private peaks: number[];
  private spans: string[];

  constructor(
    readonly model: InstrumentModel,
    readonly serial: string,
    readonly scenario: Scenario = {},
    seed = 1,
  ) {
    this.world = newWorld(scenario);
    this.clockAhead = scenario.clockAheadSeconds ?? 0;
    this.dueInDays = (model.ownInterval ?? 180) - 150;
    this.normal = normalFrom(seededUniform(seed));
    this.pumpOn = model.pumped;
    this.channels = model.channels.map(({ channel, sensor }) => {
      const { slot } = channel.info;
      const info = { ...channel.info, fitted: !scenario.absent?.includes(slot), sensorSerial: `${serial}-${slot}` };
      return new SimulatedChannel({ ...channel, info }, new Sensor(sensor, channel.cleanAir, scenario.sensors?.[slot]));
    });
    this.peaks = this.channels.map((channel) => channel.model.cleanAir);
    this.spans = this.channels.map((channel) => channel.model.spanValue);
    this.raws = this.measure();
  }

  hello(now: Date): Hello {
    const clock = this.clock(now);
    const { maker, model, firmware } = this.model;
    const keys = ['zero', 'span', 'save', 'acknowledge', 'facts', 'clock', 'due', ...(this.model.pumped ? ['pump'] : [])];
    return {
      type: 'hello',
      protocol: LINE_PROTOCOL,
      maker,
      model,
      firmware,
      serial: this.serial,
      clock,
      keys,
      channels: this.channels.map((channel) => channel.model.info),
    };
  }

  /** Lets time pass. Answers what happened by itself meanwhile. */
  tick(seconds: number): Notice[] {
    this.seconds += seconds;
    const { share, starved } = flowOf(this.world, this.scenario, { pumped: this.model.pumped, pumpOn: this.pumpOn });
    this.blockedFor = starved && this.pumpOn ? this.blockedFor + seconds : 0;
    const gas = atInlet(this.world, this.scenario);
    const pressure = this.model.followsPressure ? this.world.pressureHPa / 1013.25 : 1;
    for (const channel of this.channels) channel.sensor.step(seconds, channel.concentration(gas) * pressure, share);
    this.raws = this.measure();
    this.channels.forEach((channel, i) => {
      const value = channel.value(this.raws[i]!);
      const further = channel.model.info.measurand === 'oxygen' ? value < this.peaks[i]! : value > this.peaks[i]!;
      if (further && this.seconds > this.model.warmUpSeconds) this.peaks[i] = value;
    });
    this.watchAlarms();
    if (!this.unsaved || this.seconds < this.unsaved.until) return [];
    const { before } = this.unsaved;
    this.unsaved = null;
    this.channels.forEach((channel, i) => (channel.calibration = before[i]!));
    return [{ type: 'notice', notice: 'saveLost', text: 'not saved in time: the old calibration stands' }];
  }

  frame(): Frame {
    const { on, latched } = this.alarm;
    const sounding = on || latched;
    const blocked = this.blockedFor >= BLOCK_ALARM_AFTER_SECONDS;
    return {
      type: 'frame',
      seconds: Number(this.seconds.toFixed(3)),
      mode: this.seconds < this.model.warmUpSeconds ? 'warmUp' : this.unsaved ? 'unsaved' : 'measure',
      readings: this.channels.map((channel, i) => channel.reading(this.raws[i]!)),
      pump: !this.model.pumped ? 'none' : blocked ? 'blocked' : this.pumpOn ? 'on' : 'off',
      alarm: { on, latched, sound: sounding && !this.scenario.deadBuzzer, light: sounding, vibration: sounding },
    };
  }

  press(key: Omit<Key, 'type'>): { answer: Answer; notices: Notice[] } {
    const done = (notices: Notice[] = []) => ({ answer: { type: 'answer' as const, id: key.id, ok: true }, notices });
    const refused = (why: string, notices: Notice[] = []) => ({
      answer: { type: 'answer' as const, id: key.id, ok: false, why },
      notices,
    });
    switch (key.key) {
      case 'pump':
        if (!this.model.pumped) return refused('there is no pump');
        this.pumpOn = !this.pumpOn;
        return done();
      case 'facts':
        return done();
      case 'clock':
        this.clockAhead = 0;
        return done();
      case 'due':
        if (!/^\d{1,4}$/.test(key.value ?? '')) return refused('days are needed');
        this.dueInDays = Number(key.value);
        return done();
      case 'acknowledge':
        if (this.alarm.on) return refused('the gas is still there');
        this.alarm.latched = false;
        return done([{ type: 'notice', notice: 'acknowledged' }]);
      case 'save':
        if (!this.unsaved) return refused('there is nothing to save');
        if (this.scenario.missesSave) return done();
        this.unsaved = null;
        if (this.allSpanned()) this.calibratingUntil = this.seconds + AT_THE_END_SECONDS;
        this.keep();
        return done([{ type: 'notice', notice: 'saved' }]);
      default:
        return this.calibrate(key, done, refused);
    }
  }

  private calibrate(
    key: Omit<Key, 'type'>,
    done: (notices: Notice[]) => ReturnType<SimulatedInstrument['press']>,
    refused: (why: string, notices?: Notice[]) => ReturnType<SimulatedInstrument['press']>,
  ) {
    if (this.seconds < this.model.warmUpSeconds) return refused('still warming up');
    if (this.alarm.latched) return refused('acknowledge the alarm first');
    const chosen = this.channels
      .map((channel, i) => ({ channel, raw: this.raws[i]! }))
      .filter(({ channel: { model } }) => model.info.fitted && (key.slot === undefined || model.info.slot === key.slot));
    if (chosen.length === 0) return refused('there is no such channel');
    const before = this.unsaved?.before ?? this.channels.map((channel) => channel.calibration);
    const notices = chosen.map(({ channel, raw }): Notice => {
      const { slot } = channel.model.info;
      if (key.key === 'zero') return { type: 'notice', notice: channel.zero(raw) ? 'zeroed' : 'zeroFailed', slot };
      const index = this.channels.indexOf(channel);
      const settable = this.model.spanValue !== 'fixed' && key.value !== undefined && /^\d+(\.\d+)?$/.test(key.value);
      if (settable) this.spans[index] = key.value!;
      return { type: 'notice', notice: channel.span(raw, Number(this.spans[index])) ? 'spanned' : 'spanFailed', slot };
    });
    if (key.key === 'zero') this.spanned.clear();
    else chosen.forEach(({ channel }) => this.spanned.add(channel.model.info.slot));
    const ends = this.allSpanned() && this.model.saveWithinSeconds === 0;
    this.calibratingUntil = this.seconds + (ends ? AT_THE_END_SECONDS : IN_BETWEEN_SECONDS);
    const failed = notices.filter((notice) => notice.notice.endsWith('Failed'));
    if (failed.length < notices.length && this.model.saveWithinSeconds > 0)
      this.unsaved = { before, until: this.seconds + this.model.saveWithinSeconds };
    else if (failed.length < notices.length) {
      this.keep();
      notices.push({ type: 'notice', notice: 'saved' });
    }
    return failed.length ? refused(`${failed.length} of ${chosen.length} channels did not take it`, notices) : done(notices);
  }

  /** What it keeps about itself: peaks since it was switched on, its clock, its own due counter, the last calibration. */
  facts(now: Date): Facts {
    const text = (value: number, step: string) => value.toFixed(step.split('.')[1]?.length ?? 0);
    return {
      type: 'facts',
      clock: this.clock(now),
      ...(this.lastCalibration ? { lastCalibration: this.lastCalibration } : {}),
      dueInDays: this.dueInDays,
      peaks: this.channels.map(({ model: { info } }, i) => ({ slot: info.slot, peak: text(this.peaks[i]!, info.resolution) })),
      spanValues: this.channels.map(({ model: { info } }, i) => ({ slot: info.slot, value: this.spans[i]! })),
    };
  }

  /** What a hand does at it: valve, inlet, filter, regulator. */
  bench(asked: Partial<World>): World {
    const { mixture, blocked, filter, regulator, pressureHPa } = asked;
    const { world } = this;
    if (mixture !== undefined) world.mixture = mixture;
    if (typeof blocked === 'boolean') world.blocked = blocked;
    if (filter && ['none', 'co2', 'charcoal'].includes(filter)) world.filter = filter;
    if (regulator && ['demand', 'fixed'].includes(regulator)) world.regulator = regulator;
    if (typeof pressureHPa === 'number' && pressureHPa > 0) world.pressureHPa = pressureHPa;
    return world;
  }

  private clock(now: Date): string {
    return new Date(now.getTime() + this.clockAhead * 1000).toISOString();
  }

  private allSpanned(): boolean {
    return this.channels.every(({ model: { info } }) => !info.fitted || this.spanned.has(info.slot));
  }

  private keep(): void {
    this.lastCalibration = ownDay(new Date(this.clock(new Date())));
    this.dueInDays = this.model.ownInterval ?? 180;
  }

  private measure(): number[] {
    return this.channels.map((channel) => channel.sensor.raw(this.normal));
  }

  private watchAlarms(): void {
    if (this.seconds < this.model.warmUpSeconds) return;
    if (this.seconds < this.calibratingUntil) {
      this.alarm = { on: false, latched: false };
      return;
    }
    const on = this.channels.some((channel, i) => {
      const { fitted, alarmLow, alarmHigh, measurand } = channel.model.info;
      const value = channel.value(this.raws[i]!);
      if (!fitted) return false;
      // Oxygen warns below its low point; the others from their low point on.
      return measurand === 'oxygen'
        ? value < Number(alarmLow) || value > Number(alarmHigh)
        : value >= Number(alarmLow ?? Infinity);
    });
    this.alarm = { on, latched: this.alarm.latched || on };
  }
}
