import type { SensorFault } from './sensor';

/** What may be wrong with a simulated instrument and with what it is connected to, by name; given as a file, or in a test. */
export interface Scenario {
  /** By slot. */
  sensors?: Record<number, SensorFault>;
  absent?: number[];
  deadBuzzer?: boolean;
  /** Seconds that its clock runs ahead. */
  clockAheadSeconds?: number;
  /** Its save key does nothing, so the calibration is lost. */
  missesSave?: boolean;
  /** Share of the flow that its pump or the diffusion still gives. */
  flow?: number;
  /** Share of the gas that gets through the tube. */
  tube?: number;
  /** A regulator of fixed flow on a pump: it starves. */
  fixedRegulator?: boolean;
  /** What is in the air of the bench besides air, as mixtures are given. */
  ambient?: Record<string, number>;
  /** Share that a scrubber or zero tube lets through: spent. */
  filterPasses?: number;
  /** Share of a gas that is left in the bottle. */
  faded?: Record<string, number>;
}

/** Faults that a technician meets (common practice), for the four-gas monitor: slots 1 oxygen, 2 combustible, 3 hydrogen sulphide, 4 carbon monoxide. */
export const SCENARIOS: Record<string, Scenario> = {
  sound: {},
  poisonedCombustible: { sensors: { 2: { health: 0.1 } } },
  stuckOxygen: { sensors: { 1: { stuck: true } } },
  slowResponse: { sensors: { 3: { slower: 4 } } },
  dyingToxic: { sensors: { 3: { health: 0.35 } } },
  dirtyBackground: { sensors: { 4: { background: 6 } }, ambient: { C4H8: 0.4 } },
  spentScrubber: { filterPasses: 0.55, ambient: { C4H8: 0.4 } },
  kinkedTube: { tube: 0 },
  weakPump: { flow: 0.3 },
  wrongRegulator: { fixedRegulator: true },
  fadedSulphide: { faded: { H2S: 0.7 } },
  missedSave: { missesSave: true },
  deadBuzzer: { deadBuzzer: true },
  wrongClock: { clockAheadSeconds: 5400 },
  absentSensor: { absent: [3] },
};
