/** Gases of the trade by the formula that the procedures ask for, with the names people write (IUPAC and common). */
const NAMES: Readonly<Record<string, readonly string[]>> = {
  CO: ['carbon monoxide'],
  H2S: ['hydrogen sulfide', 'hydrogen sulphide'],
  CH4: ['methane'],
  C3H8: ['propane'],
  C5H12: ['pentane', 'n-pentane'],
  C6H14: ['hexane', 'n-hexane'],
  C4H8: ['isobutylene', 'isobutene', '2-methylpropene', 'i-c4h8'],
  H2: ['hydrogen'],
  O2: ['oxygen'],
  CO2: ['carbon dioxide'],
  SO2: ['sulfur dioxide', 'sulphur dioxide'],
  NO: ['nitric oxide', 'nitrogen monoxide'],
  NO2: ['nitrogen dioxide'],
  NH3: ['ammonia'],
  CL2: ['chlorine'],
  HCN: ['hydrogen cyanide'],
  PH3: ['phosphine', 'phosphane'],
  C2H5OH: ['ethanol', 'alcohol', 'ethyl alcohol'],
};
const SPELLED: Readonly<Record<string, string>> = { CL2: 'Cl2' };
/** What a mixture is made up with: certified of nothing. */
const BALANCES = ['nitrogen', 'n2', 'air', 'synthetic air', 'balance'];

/**
 * The substance that somebody wrote, by its formula; 'balance' for what a mixture is made up with; null where nobody knows it.
 * Source: IUPAC names, and those in common use; from memory.
 *
 * @example
 * readSubstance('Carbon monoxide') // 'CO'
 * readSubstance('h₂s') // 'H2S'
 */
export function readSubstance(text: string): string | null {
  const plain = text.normalize('NFKC').trim().toLowerCase().replace(/\s+/g, ' ');
  if (BALANCES.includes(plain)) return 'balance';
  const formula = plain.toUpperCase();
  const found = NAMES[formula] ? formula : Object.keys(NAMES).find((one) => NAMES[one]!.includes(plain));
  return found ? (SPELLED[found] ?? found) : null;
}
