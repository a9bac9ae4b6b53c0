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
  readonly gases: StationGas[];

  constructor(
    readonly name: string,
    readonly cradles: SimulatedInstrument[],
    gas: StationGas | StationGas[],
    /** Every how many rounds a calibration is due whatever the bump said. */
    readonly calibrateEvery = 30,
    /** Days between its calibrations, as it writes them into its log. */
    readonly intervalDays?: number,
  ) {
    this.gases = [gas].flat();
  }

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
    const seen = this.gases.map((gas) => this.exposed(instrument, gas, at));
    const channels = seen.flatMap(({ channels: own }) => own);
    const outputs = Object.fromEntries(
      (['sound', 'light', 'vibration'] as const).map((output) => [output, seen.some(({ alarm }) => alarm[output])]),
    );
    const passed = channels.every((channel) => channel.moved) && Object.values(outputs).every(Boolean);
    return { ...this.head(instrument, at, 'bump'), passed, outputs, channels };
  }

  /** One bottle opened, watched and closed again: what its channels did, and the strongest alarm. */
  private exposed(instrument: SimulatedInstrument, gas: StationGas, at: Date) {
    const before = instrument.frame();
    instrument.world.mixture = gas.mixture;
    const reached = new Map<number, number>();
    let alarm = before.alarm;
    const infos = this.triedWith(instrument, gas, at);
    for (let seconds = 1; seconds <= GAS_SECONDS; seconds += 1) {
      instrument.tick(1);
      const frame = instrument.frame();
      if (frame.alarm.on) alarm = frame.alarm;
      for (const { slot } of infos) {
        const [was, is] = [this.figure(before, slot), this.figure(frame, slot)];
        const target = this.target(instrument, slot, gas);
        if (!reached.has(slot) && Math.abs(is - was) >= 0.5 * Math.abs(target - was) && Math.abs(target - was) > 0)
          reached.set(slot, seconds);
      }
    }
    const after = instrument.frame();
    this.close(instrument);
    const channels = infos.map((info) => ({
      ...this.row(instrument, info, gas, before, after),
      moved: reached.has(info.slot),
      ...(reached.has(info.slot) ? { t90Seconds: reached.get(info.slot)! * 3 } : {}),
    }));
    return { channels, alarm };
  }

  private calibrate(instrument: SimulatedInstrument, at: Date): StationRow {
    const done = this.gases.map((gas) => {
      // Zeroed before each bottle: that brings it into the mode in which no alarm latches.
      instrument.press({ id: 'station', key: 'zero' });
      const infos = this.triedWith(instrument, gas, at);
      instrument.world.mixture = gas.mixture;
      instrument.tick(GAS_SECONDS);
      // What it shows in the gas before it is set: as found.
      const before = instrument.frame();
      const several = this.gases.length > 1;
      const ok = several
        ? infos.every(({ slot }) => instrument.press({ id: 'station', key: 'span', slot }).answer.ok)
        : instrument.press({ id: 'station', key: 'span' }).answer.ok;
      instrument.press({ id: 'station', key: 'save' });
      instrument.tick(1);
      const after = instrument.frame();
      this.close(instrument);
      return { ok, channels: infos.map((info) => ({ ...this.row(instrument, info, gas, before, after), moved: ok })) };
    });
    return {
      ...this.head(instrument, at, 'calibration'),
      passed: done.every(({ ok }) => ok),
      outputs: {},
      channels: done.flatMap(({ channels }) => channels),
    };
  }

  private close(instrument: SimulatedInstrument) {
    instrument.world.mixture = null;
    instrument.tick(CLEAR_SECONDS);
    instrument.press({ id: 'station', key: 'acknowledge' });
  }

  private row(
    instrument: SimulatedInstrument,
    { slot, measurand, unit }: { slot: number; measurand: string; unit: string },
    gas: StationGas,
    before: ReturnType<SimulatedInstrument['frame']>,
    after: typeof before,
  ) {
    const target = String(this.target(instrument, slot, gas));
    return {
      measurand,
      unit,
      target,
      ...this.texts(before, after, slot),
      ...(this.gases.length > 1 ? { lot: gas.lot } : {}),
    };
  }

  /** A bottle without its gas moves a channel too (oxygen falls), but is no gas for it. */
  private brings(instrument: SimulatedInstrument, slot: number, { mixture }: StationGas): boolean {
    const channel = instrument.model.channels.find((one) => one.channel.info.slot === slot)!.channel;
    return Object.keys(mixture).some((gas) => channel.responds[gas]);
  }

  /** Its channels, each with the bottle of its gas that moves it most. */
  private triedWith(instrument: SimulatedInstrument, gas: StationGas, at: Date) {
    const fitted = instrument.hello(at).channels.filter((channel) => channel.fitted);
    const moves = (slot: number, one: StationGas) =>
      this.brings(instrument, slot, one) ? Math.abs(this.target(instrument, slot, one) - this.inAir(instrument, slot)) : -1;
    return fitted.filter(({ slot }) => {
      const most = [...this.gases].sort((a, b) => moves(slot, b) - moves(slot, a))[0];
      return most === gas;
    });
  }

  private head(instrument: SimulatedInstrument, at: Date, kind: 'bump' | 'calibration') {
    const { maker, model } = instrument.model;
    const gases = this.gases.map(({ lot, expires }) => ({ lot, expires }));
    return {
      station: this.name,
      at: at.toISOString(),
      maker,
      model,
      serial: instrument.serial,
      kind,
      gases,
      ...(this.intervalDays ? { intervalDays: this.intervalDays } : {}),
    };
  }

  private figure(frame: ReturnType<SimulatedInstrument['frame']>, slot: number): number {
    return Number(frame.readings.find((reading) => reading.slot === slot)?.text || 0);
  }

  private texts(before: ReturnType<SimulatedInstrument['frame']>, after: typeof before, slot: number) {
    const text = (frame: typeof before) => frame.readings.find((reading) => reading.slot === slot)?.text;
    const [was, is] = [text(before), text(after)];
    return { ...(was ? { before: was } : {}), ...(is ? { after: is } : {}) };
  }

  private target(instrument: SimulatedInstrument, slot: number, { mixture }: StationGas): number {
    const channel = instrument.model.channels.find((one) => one.channel.info.slot === slot)!.channel;
    return Object.entries(channel.responds).reduce((sum, [gas, factor]) => sum + (mixture[gas] ?? 0) * factor, 0);
  }

  /** Clean air holds oxygen. */
  private inAir(instrument: SimulatedInstrument, slot: number): number {
    const channel = instrument.model.channels.find((one) => one.channel.info.slot === slot)!.channel;
    return 20.9 * (channel.responds.O2 ?? 0);
  }
}
