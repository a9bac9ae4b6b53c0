import Decimal from 'decimal.js-light';
import type { ChannelInfo, FrameReading } from '@/core/live/said';
import type { Sensor } from './sensor';

/** A straight line through an anchor (zero, or clean air for oxygen): what a calibration sets. */
export interface Calibration {
  anchorRaw: number;
  anchorValue: number;
  unitsPerRaw: number;
}

export interface ChannelModel {
  info: ChannelInfo;
  /** Gases that move it, in what it shows a unit of the mixture: { CH4: 20 } for %LEL from %vol at an LEL of 5. */
  responds: Record<string, number>;
  /** What it shows in clean air, and what its zero sets it to. */
  cleanAir: number;
  spanValue: string;
}

/** A span is refused under 40 % and over 200 % of the sensitivity when new. */
const WEAKEST = 0.4;
const STRONGEST = 2;

/** One measuring channel of a simulated instrument: raw output to display, zero and span by its own keys. */
export class SimulatedChannel {
  calibration: Calibration;
  private readonly whenNew: Calibration;

  constructor(
    readonly model: ChannelModel,
    readonly sensor: Sensor,
  ) {
    const { restRaw, rawPerUnit } = sensor.spec;
    this.whenNew = { anchorRaw: restRaw + rawPerUnit * model.cleanAir, anchorValue: model.cleanAir, unitsPerRaw: 1 / rawPerUnit };
    this.calibration = { ...this.whenNew };
  }

  concentration(mixture: Record<string, number>): number {
    return Object.entries(this.model.responds).reduce((sum, [gas, factor]) => sum + (mixture[gas] ?? 0) * factor, 0);
  }

  value(raw: number): number {
    return this.calibration.anchorValue + (raw - this.calibration.anchorRaw) * this.calibration.unitsPerRaw;
  }

  reading(raw: number): FrameReading {
    const { slot, resolution, lowest, highest, fitted } = this.model.info;
    if (!fitted) return { slot, text: '', status: 'fault' };
    const step = new Decimal(resolution);
    const shown = new Decimal(this.value(raw)).div(step).toDecimalPlaces(0, Decimal.ROUND_HALF_EVEN).times(step);
    const text = (shown.isZero() ? shown.abs() : shown).toFixed(step.decimalPlaces());
    const status = shown.gt(highest) ? 'over' : shown.lt(new Decimal(lowest).minus(step.times(20))) ? 'under' : 'value';
    return { slot, text: status === 'value' ? text : '', status, raw: raw.toFixed(4) };
  }

  /** Sets what it sees now to zero (or clean air). Refused when it is far from it: the gas is still there. */
  zero(raw: number): boolean {
    const off = Math.abs(this.value(raw) - this.model.cleanAir);
    const span = Number(this.model.info.highest) - Number(this.model.info.lowest);
    if (off > span / 10) return false;
    this.calibration = { ...this.calibration, anchorRaw: raw, anchorValue: this.model.cleanAir };
    return true;
  }

  /** Turns the line about its anchor so that what it sees now reads the span value. Refused for a sensor that answers too little or too much. */
  span(raw: number, value: number): boolean {
    const { anchorRaw, anchorValue } = this.calibration;
    const unitsPerRaw = (value - anchorValue) / (raw - anchorRaw);
    const strength = this.whenNew.unitsPerRaw / unitsPerRaw;
    if (!Number.isFinite(unitsPerRaw) || strength < WEAKEST || strength > STRONGEST) return false;
    this.calibration = { ...this.calibration, unitsPerRaw };
    return true;
  }
}
