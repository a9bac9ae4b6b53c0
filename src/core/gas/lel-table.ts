export type LelSource = 'NFPA 497' | 'IEC 60079-20-1';
export interface LelEntry {
  gas: string;
  name: string;
  nfpa: number | null;
  iec: number | null;
}

/** Lower explosive limits in %vol, in air. NFPA 497 and IEC 60079-20-1, both from memory: compare with the edition in force before relying on one. */
const ENTRIES: [gas: string, name: string, nfpa: number | null, iec: number | null][] = [
  ['CH4', 'methane', 5, 4.4],
  ['C2H6', 'ethane', 3, 2.4],
  ['C3H8', 'propane', 2.1, 1.7],
  ['C4H10', 'butane', 1.9, 1.4],
  ['C5H12', 'pentane', 1.5, 1.1],
  ['C6H14', 'hexane', 1.1, 1],
  // 1.05 stands in NFPA 325, which 497 superseded.
  ['C7H16', 'heptane', 1, 0.85],
  ['C2H4', 'ethylene', 2.7, 2.3],
  ['C3H6', 'propylene', 2.4, 2],
  ['C2H2', 'acetylene', 2.5, 2.3],
  ['C6H6', 'benzene', 1.2, 1.2],
  ['C7H8', 'toluene', 1.1, 1],
  ['CH3OH', 'methanol', 6, 6],
  ['C2H5OH', 'ethanol', 3.3, 3.1],
  ['C3H6O', 'acetone', 2.5, 2.5],
  ['NH3', 'ammonia', 15, 15],
  ['H2', 'hydrogen', 4, 4],
  ['CO', 'carbon monoxide', 12.5, 10.9],
  ['H2S', 'hydrogen sulphide', 4, 4],
];

export const LEL_TABLE: readonly LelEntry[] = ENTRIES.map(([gas, name, nfpa, iec]) => ({ gas, name, nfpa, iec }));

/**
 * Lower explosive limit of a gas, with the source that states it.
 * Quantity: %vol; arguments: formula of the gas, source. Errors: RangeError for a gas that is not in the table. Source: table above (memory).
 *
 * @example
 * lowerExplosiveLimit({ gas: 'CH4', source: 'IEC 60079-20-1' }) // 4.4
 */
export function lowerExplosiveLimit({ gas, source }: { gas: string; source: LelSource }): number {
  const entry = LEL_TABLE.find((candidate) => candidate.gas === gas);
  const value = source === 'NFPA 497' ? entry?.nfpa : entry?.iec;
  if (value === undefined || value === null)
    throw new RangeError(`gas must be one of ${LEL_TABLE.map((one) => one.gas).join(', ')}, got ${String(gas)}`);
  return value;
}
