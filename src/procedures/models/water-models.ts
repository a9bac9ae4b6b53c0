import type { ModelChannel } from '@/core/stored/channel';
import type { ShippedModel } from './shipped-model';

const water = (
  role: string,
  label: string,
  measurand: ModelChannel['measurand'],
  unit: string,
  resolution: string,
  highest: string,
  tolerance: ModelChannel['tolerance'],
  rest: Partial<ModelChannel> = {},
): ModelChannel => ({ role, label, measurand, unit, resolution, lowest: '0', highest, tolerance, ...rest });

const ph = water('ph', 'pH', 'pH', 'pH', '0.01', '14', { absolute: '0.1' }, { principle: 'glass electrode' });
const temperature = water('temperature', 'Temperature', 'temperature', '°C', '0.1', '80', { absolute: '2' });
const linear = (percentPerC: string) => ({ water: { compensation: { referenceC: '25', percentPerC } } });
const ec = water(
  'ec',
  'Conductivity',
  'conductivity',
  'µS/cm',
  '1',
  '20000',
  { absolute: '5', percentOfTarget: '3' },
  linear('1.91'),
);
const ecHigh = water(
  'ec-high',
  'Conductivity, mS/cm',
  'conductivity',
  'mS/cm',
  '0.01',
  '200',
  { percentOfTarget: '3' },
  linear('1.91'),
);
/** The same quantity as ec, shown in mS/cm. */
const ecInMilli = water(
  'ec',
  'Conductivity',
  'conductivity',
  'mS/cm',
  '0.01',
  '20',
  { absolute: '0.05', percentOfTarget: '3' },
  linear('1.91'),
);
const tds = water(
  'tds',
  'Dissolved solids',
  'dissolved solids',
  'ppm',
  '1',
  '10000',
  { percentOfTarget: '4' },
  { water: { solids: { factor: '0.5' } } },
);
const dissolved = water(
  'do',
  'Oxygen',
  'dissolved oxygen',
  'mg/L',
  '0.01',
  '20',
  { absolute: '0.3' },
  { principle: 'polarographic' },
);
const saturation = water(
  'sat',
  'Saturation',
  'oxygen saturation',
  '%',
  '0.1',
  '200',
  { absolute: '4' },
  { principle: 'polarographic', water: { saturation: 'local' } },
);
const orp: ModelChannel = {
  ...water(
    'orp',
    'ORP',
    'redox potential',
    'mV',
    '1',
    '1000',
    { absolute: '15' },
    { water: { referenceElectrode: 'Ag/AgCl, 3 M KCl' } },
  ),
  lowest: '-1000',
};
const ion = water(
  'ion',
  'Fluoride',
  'ion concentration',
  'mg/L',
  '0.01',
  '100',
  { absolute: '0.1', percentOfTarget: '5' },
  {
    water: { referenceElectrode: 'Ag/AgCl, 3 M KCl', charge: '-1' },
  },
);

const turbidity = water('turbidity', 'Turbidity', 'turbidity', 'NTU', '0.1', '1000', { absolute: '0.5', percentOfTarget: '3' });

/** Meters and probes of the demo for water; invented. */
export const WATER_MODELS: ShippedModel[] = [
  {
    maker: 'Peregrith',
    name: 'PG-3P',
    kind: 'Digital pH probe',
    part: 'probe',
    procedureId: 'digital-ph-probe',
    traits: { part: 'probe', stores: 'wet', readyDays: 120 },
    channels: [ph, temperature],
    every: { months: 4 },
  },
  {
    maker: 'Peregrith',
    name: 'PG-31',
    kind: 'Portable meter for digital probes',
    procedureId: null,
    traits: { host: true },
    channels: [],
    every: { months: 24 },
  },
  {
    maker: 'Peregrith',
    name: 'PG-22',
    kind: 'Two-buffer pH meter',
    procedureId: 'two-buffer-ph-meter',
    traits: { stores: 'wet' },
    channels: [ph, temperature],
    every: { months: 4 },
  },
  {
    maker: 'Peregrith',
    name: 'PG-70',
    kind: 'Laboratory conductivity meter',
    procedureId: 'laboratory-conductivity',
    traits: { host: true, analoguePair: true, stores: 'dry' },
    channels: [{ ...ec, ...linear('2.0') }, { ...tds, water: { solids: { curve: 'mixedSalt' } } }, temperature],
    every: { months: 6 },
  },
  {
    maker: 'Peregrith',
    name: 'PG-7C',
    kind: 'Conductivity cell',
    part: 'cell',
    procedureId: null,
    traits: { part: 'cell', analoguePair: true, stores: 'dry' },
    channels: [],
    every: { months: 24 },
  },
  {
    maker: 'Peregrith',
    name: 'PG-90',
    kind: 'Laboratory multi-meter',
    procedureId: 'laboratory-multi-meter',
    traits: { stores: 'wet' },
    channels: [ph, ec, ecHigh, orp, ion, temperature],
    every: { months: 6 },
  },
  {
    maker: 'Sillmere',
    name: 'SM-20',
    kind: 'Dissolved-oxygen sonde',
    procedureId: 'oxygen-sonde',
    traits: { stores: 'moist', schools: { rinsing: 'tap' } },
    channels: [dissolved, saturation, temperature],
    every: { months: 4 },
  },
  {
    maker: 'Sillmere',
    name: 'SM-11',
    kind: 'Combined pH/EC tester',
    procedureId: 'combined-ph-ec-tester',
    traits: { stores: 'droplets' },
    channels: [ph, ec, ecHigh, tds, temperature],
    every: { months: 6 },
  },
  {
    maker: 'Sillmere',
    name: 'SM-05',
    kind: 'Grow-room pH/EC meter',
    procedureId: 'grow-room-ph-ec',
    traits: { stores: 'droplets', schools: { points: 'two', drying: 'dab' } },
    channels: [ph, ecInMilli, tds, temperature],
    every: { months: 6 },
  },
  {
    maker: 'Sillmere',
    name: 'SM-35',
    kind: 'Field oxygen/pH/EC set',
    procedureId: 'field-oxygen-ph-ec',
    traits: { stores: 'wet' },
    channels: [ph, ec, dissolved, saturation, temperature],
    every: { months: 6 },
  },
  {
    maker: 'Sillmere',
    name: 'SM-40',
    kind: 'Turbidity meter',
    procedureId: 'turbidity-meter',
    traits: {},
    channels: [turbidity],
    every: { months: 12 },
  },
];
