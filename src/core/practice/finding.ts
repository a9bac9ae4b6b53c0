/** What an exercise loses points for. Closed. */
export const FINDING_CODES = [
  'asFoundLost',
  'wrongBottle',
  'exposureCut',
  'gasWasted',
  'forgottenValve',
  'cautionPassed',
  'wrongDiagnosis',
  'needlessRepair',
  'silentThirdTry',
  'saveNotProved',
  'notAsShown',
  'keyNotPressed',
  'zeroBesideGas',
  'tooSlow',
  'leftUndone',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];

/** One thing that was not done well: what it costs, where it was, and the figures it rests on. */
export interface Finding {
  code: FindingCode;
  points: number;
  place: number;
  /** Which of the things done it was, from 0; null where it is about what was not done. */
  done: number | null;
  numbers: Record<string, string | number>;
}

/** What one of each costs, and what all of a kind cost at most. */
export const COSTS: Record<FindingCode, { each: number; most: number }> = {
  asFoundLost: { each: 12, most: 36 },
  wrongBottle: { each: 10, most: 20 },
  exposureCut: { each: 10, most: 30 },
  gasWasted: { each: 10, most: 10 },
  forgottenValve: { each: 15, most: 30 },
  cautionPassed: { each: 25, most: 50 },
  wrongDiagnosis: { each: 30, most: 30 },
  needlessRepair: { each: 6, most: 18 },
  silentThirdTry: { each: 10, most: 20 },
  saveNotProved: { each: 15, most: 30 },
  notAsShown: { each: 15, most: 45 },
  keyNotPressed: { each: 12, most: 36 },
  zeroBesideGas: { each: 8, most: 24 },
  tooSlow: { each: 10, most: 10 },
  leftUndone: { each: 8, most: 24 },
};
export const FULL_POINTS = 100;
