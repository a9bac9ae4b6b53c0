import Decimal from 'decimal.js-light';
import {
  LINE_PROTOCOL,
  type Answer,
  type ChannelInfo,
  type Facts,
  type Frame,
  type Hello,
  type Key,
  type Notice,
} from '@/core/live/said';
import { normalFrom, seededUniform } from '@/core/uncertainty/random';
import { pour, type Liquid, type Poured } from './liquid';
import { Calibrations } from './calibrations';
import { channelsOf, type MeterModel, type MeterRole } from './meter-models';
import { OxygenProbe, showOxygen } from './oxygen-probe';
import { PhElectrode } from './ph-electrode';
import type { ProbeFault } from './probe-fault';
import { ownDay } from '../own-day';

export interface MeterWorld {
  /** What the probe stands in; null in air. */
  poured: { poured: Poured[]; temperatureC: number } | null;
  /** In the moist, vented sleeve. */
  sleeve: boolean;
  pressureHPa: number;
  roomC: number;
}

const GLASS_TAU = 4;
const OXYGEN_TAU = 9;
const POLARISE_TAU = 240;

/** A portable meter with its probes, in numbers: electrodes that follow what they stand in, keys, its own calibration. Time only passes by `tick`. */
export class SimulatedMeter {
  readonly world: MeterWorld = { poured: null, sleeve: false, pressureHPa: 1013.2, roomC: 22 };
  private readonly normal: () => number;
  private readonly glass = new PhElectrode();
  private readonly oxygen = new OxygenProbe();
  private readonly infos: ChannelInfo[];
  private readonly calibrations: Calibrations;
  private fault: ProbeFault;
  private liquid: Liquid | null = null;
  private temperature = 22;
  private conductance = 0;
  private seconds = 0;
  private lastCalibration: string | undefined;

  constructor(
    readonly model: MeterModel,
    readonly serial: string,
    readonly given: ProbeFault = {},
    seed = 1,
  ) {
    this.fault = { ...given };
    this.normal = normalFrom(seededUniform(seed));
    this.infos = channelsOf(model).map((info) => ({ ...info, sensorSerial: `${serial}-P${info.slot}` }));
    this.calibrations = new Calibrations(model);
  }

  hello(now: Date): Hello {
    const { maker, model, firmware } = this.model;
    const keys = ['span', 'save', 'discard', 'facts', 'clock'];
    return {
      type: 'hello',
      protocol: LINE_PROTOCOL,
      maker,
      model,
      firmware,
      serial: this.serial,
      clock: now.toISOString(),
      keys,
      channels: this.infos,
    };
  }

  /** What a thermometer beside the probe shows: the liquid it stands in, else the room. */
  get liquidC(): number {
    return this.liquid?.temperatureC ?? this.world.roomC;
  }

  tick(seconds: number): Notice[] {
    this.seconds += seconds;
    const { world, fault } = this;
    const wet = this.liquid !== null;
    // A beaker comes to the room's temperature in a quarter of an hour or so.
    if (this.liquid) this.liquid.temperatureC += (world.roomC - this.liquid.temperatureC) * (1 - Math.exp(-seconds / 900));
    const around = this.liquid?.temperatureC ?? world.roomC;
    this.temperature += (around - this.temperature) * (1 - Math.exp(-seconds / 5));
    if (this.liquid)
      this.glass.step(
        seconds,
        this.liquid.pH,
        around,
        {
          slope: fault.slope ?? 0.985,
          offsetMv: fault.offsetMv ?? -4,
          tauSeconds: fault.tauSeconds ?? GLASS_TAU,
          driftMvPerMinute: fault.driftMvPerMinute ?? 0,
        },
        wet,
      );
    const seen = this.liquid
      ? this.liquid.conductivity * (fault.cell ?? 1) * (1 / (1 + this.liquid.conductivity / (fault.halfLostAt ?? Infinity)))
      : 0;
    this.conductance += (seen * (1 + (fault.cellJumps ?? 0) * this.normal()) - this.conductance) * (1 - Math.exp(-seconds / 1.5));
    const polarised = 1 + (fault.unpolarised ?? 0) * Math.exp(-this.seconds / POLARISE_TAU);
    this.oxygen.step(seconds, world.pressureHPa, around, {
      share: (fault.oxygen ?? 0.985) * polarised * (1 + (fault.oxygenJumps ?? 0) * this.normal()),
      tauSeconds: fault.oxygenJumps ? 0.6 : (fault.oxygenTauSeconds ?? OXYGEN_TAU),
    });
    return [];
  }

  frame(): Frame {
    const raw = this.raws();
    const idle = { on: false, latched: false, sound: false, light: false, vibration: false };
    return {
      type: 'frame',
      seconds: Number(this.seconds.toFixed(3)),
      mode: this.calibrations.open ? 'unsaved' : 'measure',
      readings: this.infos.map((info, index) => this.reading(info, this.model.roles[index]!, raw)),
      pump: 'none',
      alarm: idle,
    };
  }

  /** Voltage, conductance (µS), signal and temperature as the electronics see them now. */
  private raws() {
    const { fault } = this;
    const measuredC = this.temperature + (fault.temperatureC ?? 0);
    const redox = this.liquid?.redoxMv;
    const ion = this.liquid?.ionMgPerL;
    return {
      measuredC,
      millivolts: this.glass.reading(0.05 * this.normal()),
      conductance: Math.max(0, this.conductance * (1 + 0.0003 * this.normal())),
      signal: this.oxygen.signal * (1 + 0.0004 * this.normal()),
      redoxMv: (redox ?? 180) + (fault.offsetMv ?? 2) + 0.2 * this.normal(),
      // A monovalent anion: the voltage falls by about a Nernst slope a decade.
      // Scattered light of the suspension; an empty shaft scatters next to nothing.
      scattered: (this.liquid?.turbidityNtu ?? 0.05) * (fault.cell ?? 1) * (1 + 0.0005 * this.normal()),
      ionMv: 110 - 57.5 * Math.log10(Math.max(0.001, ion ?? 0.05)) + 0.02 * this.normal(),
    };
  }

  private reading(info: ChannelInfo, role: MeterRole, raw: ReturnType<SimulatedMeter['raws']>): Frame['readings'][number] {
    const { slot } = info;
    const c = this.calibrations;
    const value = (): [number, number | null] => {
      switch (role) {
        case 'ph':
          return [c.showPh(raw.millivolts, raw.measuredC + c.temperatureShift), raw.millivolts];
        case 'ec':
          return [
            c.showConductivity(raw.conductance, raw.measuredC + c.temperatureShift) / (this.model.inMilli ? 1000 : 1),
            raw.conductance,
          ];
        case 'ecHigh':
          return [c.showConductivity(raw.conductance, raw.measuredC + c.temperatureShift) / 1000, raw.conductance];
        case 'tds':
          return [c.showSolids(raw.conductance, raw.measuredC + c.temperatureShift), null];
        case 'do':
        case 'sat': {
          const shown = showOxygen(raw.signal, c.oxygenFactor, raw.measuredC + c.temperatureShift, this.world.pressureHPa);
          return [
            role === 'do' ? shown.mgPerL : this.model.saturation === 'local' ? shown.local : shown.oneAtm,
            raw.signal * 100,
          ];
        }
        case 'temperature':
          return [raw.measuredC + c.temperatureShift, null];
        case 'orp':
          return [raw.redoxMv, null];
        case 'ion':
          return [c.showIon(raw.ionMv), raw.ionMv];
        case 'turbidity':
          return [c.showTurbidity(raw.scattered), raw.scattered];
      }
    };
    const [shown, electric] = value();
    const step = new Decimal(info.resolution);
    const rounded = new Decimal(shown).div(step).toDecimalPlaces(0).times(step);
    // Auto units: over 1999 µS/cm the display goes on in mS/cm.
    const twoRanges = this.model.roles.includes('ecHigh');
    const over = rounded.gt(info.highest) || (role === 'ec' && twoRanges && rounded.gt(1999));
    const under = rounded.lt(new Decimal(info.lowest).minus(step)) || (role === 'ecHigh' && rounded.lt('2'));
    const status = over ? 'over' : under ? 'under' : 'value';
    return {
      slot,
      text: status === 'value' ? (rounded.isZero() ? rounded.abs() : rounded).toFixed(step.decimalPlaces()) : '',
      status,
      ...(electric === null ? {} : { raw: electric.toFixed(role === 'ph' || role === 'ion' ? 1 : 2) }),
    };
  }

  press(key: Omit<Key, 'type'>): { answer: Answer; notices: Notice[] } {
    const answer = (ok: boolean, why?: string) => ({ type: 'answer' as const, id: key.id, ok, ...(why ? { why } : {}) });
    const done = (notices: Notice[] = []) => ({ answer: answer(true), notices });
    if (key.key === 'facts' || key.key === 'clock') return done();
    if (key.key === 'save' || key.key === 'discard') {
      if (!this.calibrations.open) return { answer: answer(false, 'there is nothing to apply'), notices: [] };
      if (key.key === 'discard') {
        this.calibrations.discard();
        return done([{ type: 'notice', notice: 'saveLost', text: 'discarded: the old calibration stands' }]);
      }
      this.keep();
      return done([{ type: 'notice', notice: 'saved' }]);
    }
    if (key.key !== 'span') return { answer: answer(false, 'there is no such key'), notices: [] };
    const index = key.slot === undefined ? 0 : this.infos.findIndex((info) => info.slot === key.slot);
    const role = this.model.roles[index];
    if (!role) return { answer: answer(false, 'there is no such channel'), notices: [] };
    const raw = this.raws();
    const taken = this.calibrations.take(role, raw, this.world.pressureHPa, key.value);
    const { slot } = this.infos[index]!;
    if ('why' in taken)
      return { answer: answer(false, taken.why), notices: [{ type: 'notice', notice: 'spanFailed', slot, text: taken.why }] };
    const notices: Notice[] = [{ type: 'notice', notice: 'spanned', slot, text: taken.text }];
    if (this.model.saves === 'itself') {
      this.keep();
      notices.push({ type: 'notice', notice: 'saved' });
    }
    return done(notices);
  }

  private keep(): void {
    this.calibrations.apply();
    this.lastCalibration = ownDay(new Date());
  }

  /** What it keeps about itself; a digital probe's own data file, which goes with the probe. */
  facts(now: Date): Facts {
    const { slope, offsetMv, cellConstant } = this.calibrations.told();
    const tells = (what: MeterModel['tells'][number]) => this.model.tells.includes(what);
    return {
      type: 'facts',
      clock: now.toISOString(),
      ...(this.lastCalibration ? { lastCalibration: this.lastCalibration } : {}),
      peaks: [],
      spanValues: [],
      probe: {
        serial: this.model.digitalProbe ? `${this.serial}-P1` : this.serial,
        ...(tells('slope') && slope !== null ? { slopePercent: slope.toFixed(1) } : {}),
        ...(tells('offset') && offsetMv !== null ? { offsetMv: offsetMv.toFixed(1) } : {}),
        ...(tells('cellConstant') ? { cellConstant: cellConstant.toFixed(3) } : {}),
        ...(tells('response') ? { responseSeconds: Math.round((this.fault.tauSeconds ?? GLASS_TAU) * 2.6).toFixed(0) } : {}),
      },
    };
  }

  /** What a hand does at it: dip, lift and rinse, swing, clean, soak, blot, a new membrane. */
  bench(asked: Record<string, unknown>): object {
    const { world } = this;
    if (asked.poured !== undefined) this.dip(asked.poured as MeterWorld['poured']);
    if (typeof asked.sleeve === 'boolean') world.sleeve = asked.sleeve;
    if (typeof asked.pressureHPa === 'number' && asked.pressureHPa > 0) world.pressureHPa = asked.pressureHPa;
    if (typeof asked.roomC === 'number') world.roomC = asked.roomC;
    if (typeof asked.care === 'string' && asked.care === this.fault.curedBy) this.cure();
    return world;
  }

  private dip(poured: MeterWorld['poured']): void {
    this.world.poured = poured;
    this.glass.dipped();
    if (!poured) {
      this.liquid = null;
      return;
    }
    const { fault } = this;
    const real = poured.poured.map((one) => {
      const other = fault.swapped?.[one.substance];
      return other ? { substance: other, value: '7', unit: one.unit } : one;
    });
    this.liquid = pour(real, (poured.temperatureC ?? this.world.roomC) + (fault.warmer ?? 0));
    for (const { substance, unit } of real) {
      const shift = fault.shifted?.[substance];
      if (shift === undefined) continue;
      if (unit === 'pH') this.liquid.pH += shift;
      else this.liquid.conductivity *= shift;
    }
  }

  private cure(): void {
    // Care cures the probe, neither the sensor of temperature nor what stands in the beakers.
    const { temperatureC, shifted, swapped, warmer } = this.fault;
    this.fault = Object.fromEntries(
      Object.entries({ temperatureC, shifted, swapped, warmer }).filter(([, value]) => value !== undefined),
    ) as ProbeFault;
  }
}
