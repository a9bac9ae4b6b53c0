import type { MeasurandId } from '../../quantity/unit';

/** One dip: what the probe showed in a liquid of known value. */
export interface Dip {
  /** Value of the liquid in the channel's unit, and what was shown. */
  value: number;
  shown: number;
  tolerance: number;
  millivolts?: number | null;
  temperatureC?: number | null;
  t90Seconds?: number | null;
  /** Still moving when it was taken, in tolerances a minute. */
  driftPerMinute?: number | null;
  /** Shown over some seconds: half its spread in parts of the tolerance. */
  unrest?: number | null;
  /** Liters or bottles: months since it was opened. */
  openedMonths?: number | null;
}

/** What was measured on a probe, as far as it was. */
export interface WaterFacts {
  measurand: MeasurandId;
  label: string;
  dips: Dip[];
  slopePercent?: number | null;
  /** Slopes of the segments, acid first. */
  segmentSlopes?: number[];
  offsetMv?: number | null;
  cellConstant?: number | null;
  /** Cell constant when new, or at the last calibration. */
  usualCellConstant?: number | null;
  /** Meter's temperature less the thermometer's. */
  temperatureErrorC?: number | null;
  roomC?: number | null;
  minutesOn?: number | null;
  membraneMonths?: number | null;
  /** What an oxygen probe shows in water without oxygen, in % of saturation. */
  zeroOxygenPercent?: number | null;
  /** Drift while it stood in the same liquid, in tolerances a minute. */
  driftPerMinute?: number | null;
  storedDry?: boolean;
}

export type WaterCause =
  | 'crackedGlass'
  | 'agedElectrode'
  | 'coatedElectrode'
  | 'driedOut'
  | 'spentReference'
  | 'wrongBuffer'
  | 'contaminatedBuffer'
  | 'warmBuffer'
  | 'temperatureSensor'
  | 'bubbles'
  | 'dirtyCell'
  | 'polarisedCell'
  | 'wrongStandard'
  | 'wrinkledMembrane'
  | 'lowElectrolyte'
  | 'notPolarised'
  | 'wetMembrane';

export interface WaterFinding {
  code: WaterCause;
  /** Higher is likelier; only the order counts. */
  score: number;
  title: string;
  because: string[];
  nextTest: string;
}

export type AddCause = (
  code: WaterCause,
  score: number,
  title: string,
  ...because: (string | false | null | undefined)[]
) => void;
/** What a measurand makes of what was measured on its probe: likely causes with their reasons. Common practice; nothing here decides. */
export type ProbeCauses = (facts: WaterFacts, add: AddCause) => void;
