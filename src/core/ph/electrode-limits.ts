import type { ElectrodeLimits } from './electrode-condition';

/** Limits between which a workshop chooses for an electrode. Closed. */
export const ELECTRODE_SCHOOLS = ['usual', 'pharmacopoeia', 'strict'] as const;
export type ElectrodeSchool = (typeof ELECTRODE_SCHOOLS)[number];

/** What each says otherwise than the usual limits. Usual: common practice; pharmacopoeia: USP <791>, slope 90 to 105 % and offset ± 30 mV (read from memory); strict: common practice. */
const OTHERWISE: Record<ElectrodeSchool, Partial<ElectrodeLimits>> = {
  usual: {},
  pharmacopoeia: { cautionBelowPercent: 90 },
  strict: { failBelowPercent: 95 },
};

/**
 * The limits that a run was begun with, as what differs from the usual ones. Slope in %. An answer that no longer exists counts as the usual one.
 *
 * @example
 * electrodeLimits({ 'electrode-limits': 'strict' }) // { failBelowPercent: 95 }
 */
export function electrodeLimits(schools: Record<string, string> | undefined): Partial<ElectrodeLimits> {
  const chosen = schools?.['electrode-limits'];
  return Object.hasOwn(OTHERWISE, chosen ?? '') ? OTHERWISE[chosen as ElectrodeSchool] : {};
}
