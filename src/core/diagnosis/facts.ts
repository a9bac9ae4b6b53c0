import type { MeasurandId } from '../quantity/unit';

/** What was measured on one channel, as far as it was. Shares are of what the gas should have done: 1 is a full response, 0 none. */
export interface ChannelFacts {
  channel: string;
  label: string;
  measurand: MeasurandId;
  principle?: string;
  /** Share of the expected change that was shown; null when no gas was applied. */
  share: number | null;
  /** Seconds to nine tenths of its own change, and what is usual for this kind of sensor. */
  t90Seconds?: number | null;
  usualT90Seconds?: number;
  /** Reading at zero, in parts of the tolerance at zero; null when not read. */
  zeroInTolerances?: number | null;
  /** What the display said in clean air without a scrubber or tube, in the same parts: where a background comes from. */
  openAirInTolerances?: number | null;
  /** Raw sensitivity now against new: 1 is as new. */
  health?: number | null;
  ageMonths?: number | null;
  shows?: 'value' | 'over' | 'under' | 'fault';
}

/** What was seen of the whole instrument and of what it was connected to. */
export interface BenchFacts {
  channels: ChannelFacts[];
  pumped: boolean;
  pump?: 'on' | 'off' | 'blocked' | 'none';
  regulator?: 'fixed' | 'demand' | null;
  /** L/min, from the flow meter, and what was meant to flow. */
  flowMeasured?: number | null;
  flowMeant?: number | null;
  /** Months since the bottle was filled or first used, and until it expires. */
  bottleAgeMonths?: number | null;
  bottleMonthsLeft?: number | null;
  /** The same bottle just served another instrument well. */
  bottleProvedByOther?: boolean;
  saveLost?: boolean;
  /** Read back after saving: the date or the reading is still the old one. */
  readBackOld?: boolean;
  outputs?: Partial<Record<'sound' | 'light' | 'vibration', boolean>>;
  clockOffSeconds?: number | null;
  /** By what means zero was made. */
  zeroMeans?: 'cleanAir' | 'scrubber' | 'zeroTube' | 'zeroGas';
}

export type CauseCode =
  | 'poisonedSensor'
  | 'stuckSensor'
  | 'slowSensor'
  | 'dyingSensor'
  | 'fadedGas'
  | 'dirtyBackground'
  | 'spentScrubber'
  | 'kinkedTube'
  | 'closedValve'
  | 'weakPump'
  | 'wrongRegulator'
  | 'missedSave'
  | 'deadOutput'
  | 'wrongClock'
  | 'absentSensor'
  | 'wrongBottle';

export interface Cause {
  code: CauseCode;
  channels: string[];
  /** Higher is likelier; only the order counts. */
  score: number;
  title: string;
  because: string[];
  nextTest: string;
}
