import type { StationRow } from '@/core/station/station-row';
import type { SimulatedInstrument } from '../instrument/simulated-instrument';

export interface StationGas {
  lot: string;
  expires: string;
  mixture: Record<string, number>;
}

const GAS_SECONDS = 90;
const CLEAR_SECONDS = 90;

/** A docking station: works through its cradles by its own schedule, bumps, calibrates when the bump fails or when it is due, and writes down what it did. */
export class DockingStation {
  constructor(
    readonly name: string,
    readonly cradles: SimulatedInstrument[],
    readonly gas: StationGas,
    /** Every how many rounds a calibration is due whatever the bump said. */
    readonly calibrateEvery = 30,
  ) {}

  private round = 0;

  /** One round over all cradles at an instant: the rows that it writes. */
  work(now: Date): StationRow[] {
    this.round += 1;
    return this.cradles.flatMap((instrument, index) => {
      const at = new Date(now.getTime() + index * 1000);
      instrument.tick(60);
      const bump = this.bump(instrument, at);
      const due = this.round % this.calibrateEvery === 0;
      return bump.passed && !due ? [bump] : [bump, this.calibrate(instrument, new Date(at.getTime() + 500))];
    });
  }

  private bump(instrument: SimulatedInstrument, at: Date): StationRow {
    const before = instrument.frame();
    instrument.world.mixture = this.gas.mixture;
    const reached = new Map<number, number>();
    let alarm = before.alarm;
    const infos = instrument.hello(at).channels.filter((channel) => channel.fitted);
    for (let seconds = 1; seconds <= GAS_SECONDS; seconds += 1) {
      instrument.tick(1);
      const frame = instrument.frame();
      if (frame.alarm.on) alarm = frame.alarm;
      for (const { slot } of infos) {
        const [was, is] = [this.figure(before, slot), this.figure(frame, slot)];
        const target = this.target(instrument, slot);
        if (!reached.has(slot) && Math.abs(is - was) >= 0.5 * Math.abs(target - was) && Math.abs(target - was) > 0)
          reached.set(slot, seconds);
      }
    }
    const after = instrument.frame();
    instrument.world.mixture = null;
    instrument.tick(CLEAR_SECONDS);
    instrument.press({ id: 'station', key: 'acknowledge' });
    const channels = infos.map(({ slot, measurand, unit }) => ({
      measurand,
      unit,
      target: String(this.target(instrument, slot)),
      ...this.texts(before, after, slot),
      moved: reached.has(slot),
      ...(reached.has(slot) ? { t90Seconds: reached.get(slot)! * 3 } : {}),
    }));
    const outputs = { sound: alarm.sound, light: alarm.light, vibration: alarm.vibration };
    const passed = channels.every((channel) => channel.moved) && Object.values(outputs).every(Boolean);
    return { ...this.head(instrument, at, 'bump'), passed, outputs, channels };
  }

  private calibrate(instrument: SimulatedInstrument, at: Date): StationRow {
    instrument.press({ id: 'station', key: 'zero' });
    instrument.world.mixture = this.gas.mixture;
    instrument.tick(GAS_SECONDS);
    // What it shows in the gas before it is set: as found.
    const before = instrument.frame();
    const { answer } = instrument.press({ id: 'station', key: 'span' });
    instrument.press({ id: 'station', key: 'save' });
    instrument.tick(1);
    const after = instrument.frame();
    instrument.world.mixture = null;
    instrument.tick(CLEAR_SECONDS);
    instrument.press({ id: 'station', key: 'acknowledge' });
    const infos = instrument.hello(at).channels.filter((channel) => channel.fitted);
    return {
      ...this.head(instrument, at, 'calibration'),
      passed: answer.ok,
      outputs: {},
      channels: infos.map(({ slot, measurand, unit }) => ({
        measurand,
        unit,
        target: String(this.target(instrument, slot)),
        ...this.texts(before, after, slot),
        moved: answer.ok,
      })),
    };
  }

  private head(instrument: SimulatedInstrument, at: Date, kind: 'bump' | 'calibration') {
    const { maker, model } = instrument.model;
    const gas = { lot: this.gas.lot, expires: this.gas.expires };
    return { station: this.name, at: at.toISOString(), maker, model, serial: instrument.serial, kind, gas };
  }

  private figure(frame: ReturnType<SimulatedInstrument['frame']>, slot: number): number {
    return Number(frame.readings.find((reading) => reading.slot === slot)?.text || 0);
  }

  private texts(before: ReturnType<SimulatedInstrument['frame']>, after: typeof before, slot: number) {
    const text = (frame: typeof before) => frame.readings.find((reading) => reading.slot === slot)?.text;
    const [was, is] = [text(before), text(after)];
    return { ...(was ? { before: was } : {}), ...(is ? { after: is } : {}) };
  }

  private target(instrument: SimulatedInstrument, slot: number): number {
    const channel = instrument.model.channels.find((one) => one.channel.info.slot === slot)!.channel;
    return Object.entries(channel.responds).reduce((sum, [gas, factor]) => sum + (this.gas.mixture[gas] ?? 0) * factor, 0);
  }
}
