import type { ModelChannel } from '@/data/schema';

/** The invented scenario: a small instrument workshop in the harbour town of Port Ambrel. */
export const CUSTOMERS = [
  {
    name: 'Ambrel Ship Repair Yard',
    address: 'Dock 3, Port Ambrel',
    contact: 'Runa Oskeld',
    email: 'safety@ship-repair.example',
    agreesDue: true,
  },
  {
    name: 'Fennick Biogas Cooperative',
    address: 'Fennick Lane 12, Oxmoor',
    contact: 'Ivo Thessen',
    email: 'plant@fennick-biogas.example',
    agreesDue: true,
  },
  {
    name: 'Oxmoor Creamery',
    address: 'Mill Road 4, Oxmoor',
    contact: 'Della Quist',
    email: 'lab@oxmoor-creamery.example',
    agreesDue: false,
  },
  {
    name: 'Saltmarsh Trout Hatchery',
    address: 'Saltmarsh Sluice',
    contact: 'Perrin Wade',
    email: 'ponds@saltmarsh.example',
    agreesDue: true,
  },
  {
    name: 'Ravel Street Baths',
    address: 'Ravel Street 41, Port Ambrel',
    contact: 'Minna Garrow',
    email: 'plantroom@ravel-baths.example',
    agreesDue: false,
  },
  {
    name: 'Cold Lane Ice Rink',
    address: 'Cold Lane 2, Port Ambrel',
    contact: 'Jost Hallam',
    email: 'ice@cold-lane.example',
    agreesDue: true,
  },
  {
    name: 'Grauwinkel Brewery',
    address: 'Grauwinkel 9',
    contact: 'Edda Rohmer',
    email: 'cellar@grauwinkel.example',
    agreesDue: true,
  },
  {
    name: 'Tidewater Tramway Tunnels',
    address: 'Depot East, Port Ambrel',
    contact: 'Casimir Loft',
    email: 'tunnel-safety@tidewater.example',
    agreesDue: true,
  },
  {
    name: 'Harbour Breath Clinic',
    address: 'Quay Square 7, Port Ambrel',
    contact: 'Sister Amabel Thorne',
    email: 'devices@harbour-breath.example',
    agreesDue: true,
  },
] as const;

const o2: ModelChannel = {
  role: 'o2',
  label: 'O₂',
  measurand: 'oxygen',
  unit: '%vol',
  resolution: '0.1',
  lowest: '0',
  highest: '30',
  tolerance: { absolute: '0.5' },
  calibrationGas: 'O2',
  cleanAir: '20.9',
  principle: 'electrochemical',
};
const ex: ModelChannel = {
  role: 'ex',
  label: 'Combustible',
  measurand: 'methane',
  unit: '%LEL',
  resolution: '1',
  lowest: '0',
  highest: '100',
  tolerance: { absolute: '3', percentOfTarget: '10', zero: '2' },
  calibrationGas: 'CH4',
  principle: 'catalytic',
  scale: { lelVolPercent: '5.0', relativeResponse: '1', source: 'NFPA 497' },
};
const h2s: ModelChannel = {
  role: 'h2s',
  label: 'H₂S',
  measurand: 'hydrogen sulphide',
  unit: 'ppm',
  resolution: '0.5',
  lowest: '0',
  highest: '100',
  tolerance: { absolute: '2', percentOfTarget: '10', zero: '1' },
  calibrationGas: 'H2S',
  principle: 'electrochemical',
};
const co: ModelChannel = {
  role: 'co',
  label: 'CO',
  measurand: 'carbon monoxide',
  unit: 'ppm',
  resolution: '1',
  lowest: '0',
  highest: '500',
  tolerance: { absolute: '5', percentOfTarget: '10', zero: '2' },
  calibrationGas: 'CO',
  principle: 'electrochemical',
};
const pentane: ModelChannel = {
  ...ex,
  measurand: 'pentane',
  scale: { lelVolPercent: '5.0', relativeResponse: '2', source: 'NFPA 497' },
};
const so2: ModelChannel = {
  role: 'so2',
  label: 'SO₂',
  measurand: 'sulphur dioxide',
  unit: 'ppm',
  resolution: '0.1',
  lowest: '0',
  highest: '20',
  tolerance: { absolute: '0.5', percentOfTarget: '10', zero: '0.3' },
  calibrationGas: 'SO2',
  principle: 'electrochemical',
};
const h2: ModelChannel = {
  role: 'h2',
  label: 'H₂',
  measurand: 'hydrogen',
  unit: 'ppm',
  resolution: '1',
  lowest: '0',
  highest: '500',
  tolerance: { absolute: '5', percentOfTarget: '5', zero: '2' },
  calibrationGas: 'H2',
  principle: 'electrochemical',
};
const water = (
  role: string,
  label: string,
  measurand: string,
  unit: string,
  resolution: string,
  highest: string,
  absolute: string,
): ModelChannel => ({ role, label, measurand, unit, resolution, lowest: '0', highest, tolerance: { absolute } });
const temperature = water('temperature', 'Temperature', 'temperature', '°C', '0.1', '80', '1');

export interface CatalogueModel {
  maker: string;
  name: string;
  kind: string;
  procedureId: string | null;
  properties: string[];
  channels: ModelChannel[];
  every: { days: number } | { months: number };
}

export const MODELS: CatalogueModel[] = [
  {
    maker: 'Ordfell',
    name: 'OF-410',
    kind: 'Four-gas leak monitor',
    procedureId: 'four-gas-leak-monitor',
    properties: [],
    channels: [o2, ex, h2s, co],
    every: { months: 8 },
  },
  {
    maker: 'Vantling',
    name: 'VT-40',
    kind: 'Four-gas leak monitor',
    procedureId: 'four-gas-leak-monitor',
    properties: [],
    channels: [{ ...o2, cleanAir: '20.8' }, ex, h2s, co],
    every: { months: 6 },
  },
  {
    maker: 'Vantling',
    name: 'VT-5P',
    kind: 'Pumped five-gas monitor',
    procedureId: 'pumped-five-gas',
    properties: ['detector-pairs'],
    channels: [o2, pentane, h2s, co, so2],
    every: { months: 6 },
  },
  {
    maker: 'Ordfell',
    name: 'OF-120',
    kind: 'Single-gas CO monitor',
    procedureId: null,
    properties: [],
    channels: [co],
    every: { months: 6 },
  },
  {
    maker: 'Peregrith',
    name: 'PG-31',
    kind: 'pH meter with digital probes',
    procedureId: 'digital-ph-probe',
    properties: [],
    channels: [water('ph', 'pH', 'pH', 'pH', '0.01', '14', '0.1')],
    every: { months: 8 },
  },
  {
    maker: 'Peregrith',
    name: 'PG-70',
    kind: 'Laboratory conductivity meter',
    procedureId: null,
    properties: [],
    channels: [water('ec', 'Conductivity', 'conductivity', 'µS/cm', '1', '20000', '20'), temperature],
    every: { months: 12 },
  },
  {
    maker: 'Sillmere',
    name: 'SM-20',
    kind: 'Dissolved-oxygen sonde',
    procedureId: null,
    properties: [],
    channels: [water('do', 'Oxygen', 'dissolved oxygen', 'mg/L', '0.01', '20', '0.3'), temperature],
    every: { months: 6 },
  },
  {
    maker: 'Sillmere',
    name: 'SM-11',
    kind: 'Combined pH/EC tester',
    procedureId: null,
    properties: [],
    channels: [
      water('ph', 'pH', 'pH', 'pH', '0.01', '14', '0.1'),
      water('ec', 'Conductivity', 'conductivity', 'µS/cm', '1', '20000', '50'),
    ],
    every: { months: 6 },
  },
  {
    maker: 'Brisenal',
    name: 'BN-H',
    kind: 'Hydrogen breath monitor',
    procedureId: 'hydrogen-breath-monitor',
    properties: [],
    channels: [h2],
    every: { days: 120 },
  },
  {
    maker: 'Brisenal',
    name: 'BN-A',
    kind: 'Breath-alcohol tester',
    procedureId: null,
    properties: [],
    channels: [water('alcohol', 'Breath alcohol', 'ethanol', 'g/210 L', '0.001', '0.4', '0.005')],
    every: { days: 90 },
  },
];

/** How many of which model each customer owns: 124 instruments. */
export const FLEETS: Record<string, Record<string, number>> = {
  'Ambrel Ship Repair Yard': { 'OF-410': 18, 'VT-5P': 3, 'OF-120': 2 },
  'Fennick Biogas Cooperative': { 'VT-40': 9, 'OF-410': 4 },
  'Oxmoor Creamery': { 'PG-31': 6, 'PG-70': 2, 'OF-410': 3 },
  'Saltmarsh Trout Hatchery': { 'SM-20': 5, 'PG-31': 3, 'SM-11': 2 },
  'Ravel Street Baths': { 'SM-11': 4, 'PG-31': 3, 'OF-410': 2 },
  'Cold Lane Ice Rink': { 'VT-40': 6, 'OF-120': 2 },
  'Grauwinkel Brewery': { 'OF-410': 9, 'PG-31': 4, 'PG-70': 2 },
  'Tidewater Tramway Tunnels': { 'OF-410': 15, 'VT-40': 6, 'VT-5P': 2 },
  'Harbour Breath Clinic': { 'BN-H': 7, 'BN-A': 5 },
};

export const USERS = [
  { name: 'Odile Marsh', email: 'counter@port-ambrel.example', role: 'counter' },
  { name: 'Tam Verrick', email: 'technician@port-ambrel.example', role: 'technician' },
  { name: 'Henrike Solde', email: 'signatory@port-ambrel.example', role: 'signatory' },
  { name: 'Bas Orlen', email: 'admin@port-ambrel.example', role: 'administrator' },
] as const;
export const DEMO_PASSWORD = 'harbour-bench-2026';

export const WORKSHOP = {
  name: 'Port Ambrel Instrument Workshop',
  address: 'Ropewalk 5, Port Ambrel',
  place: 'Workshop, Ropewalk 5',
  zone: 'Europe/Berlin',
  mailFrom: 'workshop@port-ambrel.example',
  places: 6,
  samePersonApproves: false,
  remindAheadDays: 21,
  remindAfterDays: 14,
};
