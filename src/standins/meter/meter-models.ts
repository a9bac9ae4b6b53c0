import type { ChannelInfo } from '@/core/live/said';

export type MeterRole = 'ph' | 'ec' | 'ecHigh' | 'tds' | 'do' | 'sat' | 'temperature' | 'orp' | 'ion' | 'turbidity';

/** How a meter behaves: what its keys do, what it keeps where. */
export interface MeterModel {
  maker: string;
  model: string;
  firmware: string;
  roles: MeterRole[];
  /** Names the buffer or standard by itself, or takes the value that is set by key. */
  recognises: boolean;
  /** Keeps a point by itself, or all of them when applied. */
  saves: 'itself' | 'apply';
  /** Most points of a pH calibration. */
  points: 1 | 2 | 3 | 5;
  /** First point is pH 7, then 4, then 10; another order is refused. */
  fixedOrder: boolean;
  /** Per cent a °C to 25 °C. */
  percentPerC: number;
  solidsFactor: number | 'curve';
  /** Per cent of saturation at the place, or at 1 atm. */
  saturation: 'local' | 'oneAtm';
  /** The probe keeps its own calibration and moves between meters. */
  digitalProbe?: boolean;
  /** Shows conductivity in mS/cm alone. */
  inMilli?: true;
  /** Shows the slope, the offset, the cell constant. */
  tells: ('slope' | 'offset' | 'cellConstant' | 'response')[];
}

const INFO: Record<MeterRole, Omit<ChannelInfo, 'slot' | 'fitted'>> = {
  ph: { measurand: 'pH', unit: 'pH', resolution: '0.01', lowest: '0', highest: '14' },
  ec: { measurand: 'conductivity', unit: 'µS/cm', resolution: '1', lowest: '0', highest: '20000' },
  ecHigh: { measurand: 'conductivity', unit: 'mS/cm', resolution: '0.01', lowest: '0', highest: '200' },
  tds: { measurand: 'dissolved solids', unit: 'ppm', resolution: '1', lowest: '0', highest: '10000' },
  do: { measurand: 'dissolved oxygen', unit: 'mg/L', resolution: '0.01', lowest: '0', highest: '20' },
  sat: { measurand: 'oxygen saturation', unit: '%', resolution: '0.1', lowest: '0', highest: '200' },
  temperature: { measurand: 'temperature', unit: '°C', resolution: '0.1', lowest: '0', highest: '80' },
  orp: { measurand: 'redox potential', unit: 'mV', resolution: '1', lowest: '-1000', highest: '1000' },
  ion: { measurand: 'ion concentration', unit: 'mg/L', resolution: '0.01', lowest: '0', highest: '100' },
  turbidity: { measurand: 'turbidity', unit: 'NTU', resolution: '0.1', lowest: '0', highest: '1000' },
};

const IN_MILLI = { unit: 'mS/cm', resolution: '0.01', highest: '20' };

export const channelsOf = (model: MeterModel): ChannelInfo[] =>
  model.roles.map((role, index) => ({
    ...INFO[role],
    ...(role === 'ec' && model.inMilli ? IN_MILLI : {}),
    slot: index + 1,
    fitted: true,
  }));

const base = {
  firmware: '3.1',
  recognises: true,
  saves: 'itself' as const,
  points: 3 as const,
  fixedOrder: false,
  percentPerC: 1.91,
  solidsFactor: 0.5 as const,
  saturation: 'local' as const,
  tells: ['slope'] as MeterModel['tells'],
};

/** Meters of the demo that can be simulated. Invented, each with the behaviour of its family. */
export const METER_MODELS: Record<string, MeterModel> = Object.fromEntries(
  (
    [
      {
        ...base,
        maker: 'Peregrith',
        model: 'PG-3P',
        roles: ['ph', 'temperature'],
        saves: 'apply',
        points: 5,
        digitalProbe: true,
        tells: ['slope', 'offset', 'response'],
      },
      { ...base, maker: 'Peregrith', model: 'PG-22', roles: ['ph', 'temperature'], points: 2, tells: ['slope', 'offset'] },
      {
        ...base,
        maker: 'Peregrith',
        model: 'PG-70',
        roles: ['ec', 'tds', 'temperature'],
        recognises: false,
        solidsFactor: 'curve',
        percentPerC: 2,
        tells: ['cellConstant'],
      },
      {
        ...base,
        maker: 'Peregrith',
        model: 'PG-90',
        roles: ['ph', 'ec', 'ecHigh', 'orp', 'ion', 'temperature'],
        recognises: false,
        tells: ['slope', 'offset', 'cellConstant'],
      },
      { ...base, maker: 'Sillmere', model: 'SM-20', roles: ['do', 'sat', 'temperature'], tells: [] },
      {
        ...base,
        maker: 'Sillmere',
        model: 'SM-11',
        roles: ['ph', 'ec', 'ecHigh', 'tds', 'temperature'],
        fixedOrder: true,
        tells: [],
      },
      {
        ...base,
        maker: 'Sillmere',
        model: 'SM-05',
        recognises: false,
        inMilli: true,
        roles: ['ph', 'ec', 'tds', 'temperature'],
        points: 2,
        tells: [],
      },
      {
        ...base,
        maker: 'Sillmere',
        model: 'SM-35',
        roles: ['ph', 'ec', 'do', 'sat', 'temperature'],
        tells: ['slope', 'offset', 'cellConstant'],
      },
      { ...base, maker: 'Sillmere', model: 'SM-40', roles: ['turbidity'], recognises: false, tells: [] },
    ] satisfies MeterModel[]
  ).map((model) => [model.model, model]),
);
