import type { ChannelModel } from './channel';
import type { SensorSpec } from './sensor';

export interface InstrumentModel {
  maker: string;
  model: string;
  firmware: string;
  pumped: boolean;
  warmUpSeconds: number;
  /** Seconds in which a calibration must be saved; 0 where it saves by itself. */
  saveWithinSeconds: number;
  /** Whether a span value can be set on its keys, or is one of its own. */
  spanValue?: 'settable' | 'fixed';
  /** Its zero and clean-air values are set by itself at switch-on. */
  autoZero?: boolean;
  /** Days of its own due counter after a calibration. */
  ownInterval?: number;
  /** What it shows falls with the air pressure: dry gas in a breath tester. */
  followsPressure?: boolean;
  channels: { channel: ChannelModel; sensor: SensorSpec }[];
}

export const sensor = (restRaw: number, rawPerUnit: number, tauSeconds: number, noiseRaw: number): SensorSpec => ({
  restRaw,
  rawPerUnit,
  tauSeconds,
  slowShare: 0.08,
  slowTauSeconds: tauSeconds * 4,
  noiseRaw,
});

interface Part {
  measurand: string;
  unit: string;
  resolution: string;
  highest: string;
  alarms?: [low: string, high: string];
  responds: Record<string, number>;
  cleanAir?: number;
  spanValue: string;
  raw: [restRaw: number, rawPerUnit: number, tauSeconds: number, noiseRaw: number];
}

/** One place of an instrument with its sensor. */
export function part(slot: number, given: Part): { channel: ChannelModel; sensor: SensorSpec } {
  const { measurand, unit, resolution, highest, alarms, responds, cleanAir = 0, spanValue, raw } = given;
  return {
    channel: {
      info: {
        slot,
        measurand,
        unit,
        resolution,
        lowest: '0',
        highest,
        fitted: true,
        rawAtZeroNew: String(raw[0]),
        rawPerUnitNew: String(raw[1]),
        ...(alarms ? { alarmLow: alarms[0], alarmHigh: alarms[1] } : {}),
      },
      responds,
      cleanAir,
      spanValue,
    },
    sensor: sensor(...raw),
  };
}

export const oxygen = (slot: number, cleanAir = 20.9) =>
  part(slot, {
    measurand: 'oxygen',
    unit: '%vol',
    resolution: '0.1',
    highest: '30',
    alarms: ['19.5', '23.5'],
    responds: { O2: 1 },
    cleanAir,
    spanValue: '18.0',
    raw: [0.01, 0.024, 6, 0.0004],
  });
/** 100 %LEL at 5.0 %vol of methane (NFPA 497), hydrogen more strongly; `response` 2 is a pentane scale. */
export const combustible = (slot: number, response = 1) =>
  part(slot, {
    measurand: response === 1 ? 'methane' : 'pentane',
    unit: '%LEL',
    resolution: '1',
    highest: '100',
    alarms: ['10', '20'],
    responds: { CH4: 20 * response, H2: 25 },
    spanValue: response === 1 ? '50' : '58',
    raw: [0.5, 0.004, 7, 0.0006],
  });
export const sulphide = (slot: number) =>
  part(slot, {
    measurand: 'hydrogen sulphide',
    unit: 'ppm',
    resolution: '0.5',
    highest: '100',
    alarms: ['10', '15'],
    responds: { H2S: 1, CO: 0.01 },
    spanValue: '25.0',
    raw: [0.02, 0.02, 11, 0.002],
  });
export const monoxide = (slot: number) =>
  part(slot, {
    measurand: 'carbon monoxide',
    unit: 'ppm',
    resolution: '1',
    highest: '500',
    alarms: ['35', '70'],
    responds: { CO: 1, H2: 0.4, H2S: 0.05 },
    spanValue: '100',
    raw: [0.01, 0.007, 9, 0.002],
  });
export const sulphurDioxide = (slot: number) =>
  part(slot, {
    measurand: 'sulphur dioxide',
    unit: 'ppm',
    resolution: '0.1',
    highest: '20',
    alarms: ['2', '5'],
    responds: { SO2: 1 },
    spanValue: '5.0',
    raw: [0.02, 0.04, 12, 0.0008],
  });
export const hydrogen = (slot: number) =>
  part(slot, {
    measurand: 'hydrogen',
    unit: 'ppm',
    resolution: '1',
    highest: '500',
    responds: { H2: 1 },
    spanValue: '100',
    raw: [0.01, 0.006, 10, 0.0015],
  });
/** Ethanol in g/210 L, as dry gas is labelled. */
export const ethanol = (slot: number) =>
  part(slot, {
    measurand: 'ethanol',
    unit: 'g/210 L',
    resolution: '0.001',
    highest: '0.4',
    responds: { C2H5OH: 1 },
    spanValue: '0.038',
    raw: [0.02, 5, 2, 0.0008],
  });
/** Infrared: sees the air's own carbon dioxide, about 430 ppm. */
export const carbonDioxide = (slot: number) =>
  part(slot, {
    measurand: 'carbon dioxide',
    unit: 'ppm',
    resolution: '10',
    highest: '50000',
    alarms: ['5000', '15000'],
    responds: { CO2: 1 },
    spanValue: '5000',
    raw: [0.3, 0.0001, 12, 0.0004],
  });
/** Photoionisation, in ppb of isobutylene. */
export const organics = (slot: number) =>
  part(slot, {
    measurand: 'volatile organics',
    unit: 'ppb',
    resolution: '1',
    highest: '20000',
    alarms: ['1000', '5000'],
    responds: { C4H8: 1000 },
    spanValue: '10000',
    raw: [0.05, 0.0002, 5, 0.0001],
  });
/** A component of a breathing-gas mix by infrared or paramagnetism, in %vol. */
export const breathing = (slot: number, measurand: string, substance: string, highest: string, spanValue: string, cleanAir = 0) =>
  part(slot, {
    measurand,
    unit: '%vol',
    resolution: '0.01',
    highest,
    responds: { [substance]: substance === 'CO2' ? 0.0001 : 1 },
    cleanAir,
    spanValue,
    raw: [0.1, 0.02, 4, 0.00008],
  });
