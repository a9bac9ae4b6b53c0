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
  channels: { channel: ChannelModel; sensor: SensorSpec }[];
}

const sensor = (restRaw: number, rawPerUnit: number, tauSeconds: number, noiseRaw: number): SensorSpec => ({
  restRaw,
  rawPerUnit,
  tauSeconds,
  slowShare: 0.08,
  slowTauSeconds: tauSeconds * 4,
  noiseRaw,
});

const oxygen = {
  channel: {
    info: {
      slot: 1,
      measurand: 'oxygen',
      unit: '%vol',
      resolution: '0.1',
      lowest: '0',
      highest: '30',
      fitted: true,
      alarmLow: '19.5',
      alarmHigh: '23.5',
    },
    responds: { O2: 1 },
    cleanAir: 20.9,
    spanValue: '18.0',
  },
  sensor: sensor(0.01, 0.024, 6, 0.0004),
};
const combustible = {
  channel: {
    info: {
      slot: 2,
      measurand: 'methane',
      unit: '%LEL',
      resolution: '1',
      lowest: '0',
      highest: '100',
      fitted: true,
      alarmLow: '10',
      alarmHigh: '20',
    },
    // 100 %LEL at 5.0 %vol of methane (NFPA 497), hydrogen more strongly.
    responds: { CH4: 20, H2: 25 },
    cleanAir: 0,
    spanValue: '50',
  },
  sensor: sensor(0.5, 0.004, 7, 0.0006),
};
const sulphide = {
  channel: {
    info: {
      slot: 3,
      measurand: 'hydrogen sulphide',
      unit: 'ppm',
      resolution: '0.5',
      lowest: '0',
      highest: '100',
      fitted: true,
      alarmLow: '10',
      alarmHigh: '15',
    },
    responds: { H2S: 1, CO: 0.01 },
    cleanAir: 0,
    spanValue: '25.0',
  },
  sensor: sensor(0.02, 0.02, 11, 0.002),
};
const monoxide = {
  channel: {
    info: {
      slot: 4,
      measurand: 'carbon monoxide',
      unit: 'ppm',
      resolution: '1',
      lowest: '0',
      highest: '500',
      fitted: true,
      alarmLow: '35',
      alarmHigh: '70',
    },
    responds: { CO: 1, H2: 0.4, H2S: 0.05 },
    cleanAir: 0,
    spanValue: '100',
  },
  sensor: sensor(0.01, 0.007, 9, 0.002),
};

/** Instruments of the demo that can be simulated. Invented: response and cross-sensitivity are of a common size (common practice), no maker's. */
export const INSTRUMENT_MODELS: Record<string, InstrumentModel> = {
  'OF-410': {
    maker: 'Ordfell',
    model: 'OF-410',
    firmware: '2.4',
    pumped: false,
    warmUpSeconds: 30,
    saveWithinSeconds: 60,
    channels: [oxygen, combustible, sulphide, monoxide],
  },
  'VT-40': {
    maker: 'Vantling',
    model: 'VT-40',
    firmware: '1.9',
    pumped: true,
    warmUpSeconds: 20,
    saveWithinSeconds: 0,
    channels: [oxygen, combustible, sulphide, monoxide],
  },
};
