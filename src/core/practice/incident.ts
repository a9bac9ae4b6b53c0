/** What may happen at a bench that is dangerous, with what may be done; the first is what a careful hand does. Local rules come first. Closed. */
export const INCIDENTS = {
  areaAlarm: { of: 'gas', choices: ['closeAndLeave', 'finishReading', 'openWindow'], closesGas: true },
  oxygenFalls: { of: 'gas', choices: ['closeAndLeave', 'holdBreath', 'finishReading'], closesGas: true },
  tubeCameOff: { of: 'gas', choices: ['closeFirst', 'pushBack', 'finishReading'], closesGas: true },
  brokenGlass: { of: 'water', choices: ['glovesAndOut', 'pickUp', 'readOn'], closesGas: false },
  splashedEye: { of: 'water', choices: ['rinseAndTell', 'wipe', 'readOn'], closesGas: false },
  hotBattery: { of: 'any', choices: ['awayAndTell', 'openIt', 'readOn'], closesGas: false },
} as const satisfies Record<string, { of: 'gas' | 'water' | 'any'; choices: readonly [string, ...string[]]; closesGas: boolean }>;
export type IncidentId = keyof typeof INCIDENTS;
export const INCIDENT_IDS = Object.keys(INCIDENTS) as IncidentId[];
export type IncidentChoice = (typeof INCIDENTS)[IncidentId]['choices'][number];

/** Within so many seconds gas is shut and the right thing is done. */
export const HEED_WITHIN_SECONDS = 30;

export const rightChoice = (incident: IncidentId): IncidentChoice => INCIDENTS[incident].choices[0];

/** The ones that can happen where gas is used, or liquids. */
export const incidentsOf = (water: boolean): IncidentId[] =>
  INCIDENT_IDS.filter((one) => INCIDENTS[one].of === 'any' || INCIDENTS[one].of === (water ? 'water' : 'gas'));
