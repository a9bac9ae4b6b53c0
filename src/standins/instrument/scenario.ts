import type { SensorFault } from './sensor';

/** What may be wrong with a simulated instrument, by name; given as a file, or in a test. */
export interface Scenario {
  /** By slot. */
  sensors?: Record<number, SensorFault>;
  absent?: number[];
  deadBuzzer?: boolean;
  /** Seconds that its clock runs ahead. */
  clockAheadSeconds?: number;
  /** Its save key does nothing, so the calibration is lost. */
  missesSave?: boolean;
  /** Share of the flow that gets through: a weak pump, a kinked tube, the wrong regulator. */
  flow?: number;
}

/** Faults that a technician meets (common practice), for the four-gas monitor: slots 1 oxygen, 2 combustible, 3 hydrogen sulphide, 4 carbon monoxide. */
export const SCENARIOS: Record<string, Scenario> = {
  sound: {},
  poisonedCombustible: { sensors: { 2: { health: 0.1 } } },
  stuckOxygen: { sensors: { 1: { stuck: true } } },
  slowResponse: { sensors: { 3: { slower: 4 } } },
  dyingToxic: { sensors: { 3: { health: 0.35 } } },
  dirtyBackground: { sensors: { 4: { background: 6 } } },
  absentSensor: { absent: [3] },
  deadBuzzer: { deadBuzzer: true },
  wrongClock: { clockAheadSeconds: 5400 },
  missedSave: { missesSave: true },
  kinkedTube: { flow: 0 },
  weakPump: { flow: 0.4 },
};
