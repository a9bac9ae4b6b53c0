import type { Fact } from '../words/say';
import '@/core/words/en/sources';

/** Figures of a budget that no single reading gives: found once by a study, taken from a paper, or common practice. A closed list. */
export const STANDING_IDS = [
  'repeatability',
  'stability',
  'flow',
  'zeroAir',
  'zeroFilter',
  'junction',
  'interpolation',
  'gradient',
  'compensation',
  'cell',
  'sleeve',
  'salinity',
  'solubility',
  'dilution',
  'solidsRule',
] as const;
export type StandingId = (typeof STANDING_IDS)[number];

/** Where a standing value comes from. One that is only remembered feeds no calibration certificate before a signatory gave it a source and a date. */
export type StandingSource =
  | { kind: 'practice' }
  | { kind: 'memory' }
  | { kind: 'published'; text: string }
  | { kind: 'confirmed'; text: string; on: string; by: string }
  | { kind: 'study'; text: string; on: string; by: string; n: number; dof: number };

/** A standing value as a measurand states it: in percent of the value, in steps of the display, or absolute in a unit of its own. */
export interface StandingDefault {
  value: number;
  form: 'percent' | 'steps' | 'absolute';
  /** Unit of an absolute one; left out: that of the channel. */
  unit?: string;
  source: StandingSource;
}
/** … and as it was frozen into a run: for a measurand, narrowed to a procedure and a point where the workshop did so. */
export interface StandingValue extends StandingDefault {
  id: StandingId;
  measurand: string;
  procedure?: string;
  point?: string;
}

export const practice = (value: number, form: StandingDefault['form'], unit?: string): StandingDefault => ({
  value,
  form,
  ...(unit ? { unit } : {}),
  source: { kind: 'practice' },
});
export const memory = (value: number, form: StandingDefault['form'], unit?: string): StandingDefault => ({
  ...practice(value, form, unit),
  source: { kind: 'memory' },
});
export const published = (value: number, form: StandingDefault['form'], text: string, unit?: string): StandingDefault => ({
  ...practice(value, form, unit),
  source: { kind: 'published', text },
});

/** The source of a standing value as a fact, to be named beside its number. */
export function sourceFact(source: StandingSource): Fact {
  if (source.kind === 'practice' || source.kind === 'memory') return { code: `source.${source.kind}` };
  if (source.kind === 'published') return { code: 'source.published', numbers: { text: source.text } };
  return { code: 'source.confirmed', numbers: { text: source.text, on: source.on, by: source.by } };
}

/**
 * The value that counts at a point: the workshop's own for this procedure and point before the one for the procedure, that before the measurand's.
 *
 * @example
 * standingFor({ frozen: [], defaults: co.standing, id: 'flow', measurand: 'carbon monoxide', procedure: 'four-gas', point: 'span' })?.value // 1
 */
export function standingFor({
  frozen,
  defaults,
  id,
  measurand,
  procedure,
  point,
}: {
  frozen: readonly StandingValue[];
  defaults: Partial<Record<StandingId, StandingDefault>>;
  id: StandingId;
  measurand: string;
  procedure: string;
  point: string;
}): StandingDefault | null {
  let best: StandingDefault | null = defaults[id] ?? null;
  let rank = -1;
  for (const one of frozen) {
    if (one.id !== id || one.measurand !== measurand) continue;
    if ((one.procedure && one.procedure !== procedure) || (one.point && one.point !== point)) continue;
    const own = (one.procedure ? 1 : 0) + (one.point ? 2 : 0);
    if (own >= rank) [best, rank] = [one, own];
  }
  return best;
}
