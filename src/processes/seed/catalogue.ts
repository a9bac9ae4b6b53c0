export { MODELS, type ShippedModel } from '@/procedures/models';
import { USUAL_PATTERNS } from '@/core/paper/number-pattern';

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
    // Its mailbox is full: the outbox says so.
    email: 'full@ravel-baths.example',
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
    // Reached by post alone: its reminders are letters.
    email: '',
    agreesDue: true,
  },
] as const;

/** How many of which model each customer owns: about 130 instruments and probes. */
export const FLEETS: Record<string, Record<string, number>> = {
  'Ambrel Ship Repair Yard': { 'OF-410': 18, 'VT-5P': 3, 'OF-120': 2, 'OF-440': 2 },
  'Fennick Biogas Cooperative': { 'VT-40': 9, 'OF-410': 4, 'VT-C2': 2 },
  'Oxmoor Creamery': { 'PG-3P': 6, 'PG-31': 3, 'PG-70': 2, 'PG-7C': 3, 'OF-410': 3, 'PG-22': 2 },
  'Saltmarsh Trout Hatchery': { 'SM-20': 5, 'PG-22': 2, 'SM-11': 2, 'SM-35': 2, 'SM-05': 1 },
  'Ravel Street Baths': { 'SM-11': 4, 'PG-22': 3, 'OF-410': 2 },
  'Cold Lane Ice Rink': { 'VT-40': 6, 'OF-120': 2, 'OF-125': 2 },
  'Grauwinkel Brewery': { 'OF-410': 9, 'PG-3P': 4, 'PG-31': 2, 'PG-90': 1, 'VT-60': 2, 'SM-40': 2 },
  'Tidewater Tramway Tunnels': { 'OF-410': 15, 'VT-40': 6, 'VT-5P': 2, 'VT-47': 3, 'OF-700': 1, 'OF-430': 2 },
  'Harbour Breath Clinic': { 'BN-H': 7, 'BN-A': 5, 'BN-G': 1 },
};

/** Serials that stand in the log of the simulated docking station. */
export const SERIALS: Record<string, string[]> = { 'VT-60': ['VD-1001', 'VD-1002'] };

export const USERS = [
  { name: 'Odile Marsh', email: 'counter@port-ambrel.example', role: 'counter' },
  { name: 'Tam Verrick', email: 'technician@port-ambrel.example', role: 'technician' },
  { name: 'Henrike Solde', email: 'signatory@port-ambrel.example', role: 'signatory' },
  { name: 'Bas Orlen', email: 'admin@port-ambrel.example', role: 'administrator' },
  { name: 'Vera Lindt', email: 'auditor@port-ambrel.example', role: 'auditor' },
] as const;
export const DEMO_PASSWORD = 'harbour-bench-2026';

export const WORKSHOP = {
  name: 'Port Ambrel Instrument Workshop',
  address: 'Ropewalk 5, Port Ambrel',
  place: 'Workshop, Ropewalk 5',
  contact: '+00 555 0142, workshop@port-ambrel.example',
  zone: 'Europe/Berlin',
  mailFrom: 'workshop@port-ambrel.example',
  replyTo: 'counter@port-ambrel.example',
  places: 12,
  secondPlace: 'Service van, Port Ambrel and around',
  secondFrom: 11,
  // Years of a demo's documents go to nobody; the last line of the seed lets new ones go.
  mailCertificates: false,
  remindByItself: true,
  remindHour: 7,
  weekInstruments: 12,
  weekHours: 0,
  administratorSigns: true,
  secondFactorRoles: [],
  lockAfterMinutes: 15,
  samePersonApproves: false,
  worksWatched: false,
  labelPaper: '62x29' as const,
  numbers: USUAL_PATTERNS,
  logo: null,
  foundWithinPercent: 90,
  remindAheadDays: 21,
  remindAfterDays: 14,
  currency: 'EUR',
  dayOrder: 'dayFirst' as const,
  annexBudgets: false,
  annexTraces: false,
};
