import { Dec } from '../quantity/decimal';

/** Units of a certified amount fraction as tables and certificates write them. A plain "%" is left out: of what, nobody knows. */
const UNITS: Readonly<Record<string, '%vol' | 'ppm' | 'ppb'>> = {
  '%vol': '%vol',
  'vol%': '%vol',
  'vol.%': '%vol',
  'vol-%': '%vol',
  'vol.-%': '%vol',
  '%v/v': '%vol',
  '%mol': '%vol',
  'mol%': '%vol',
  'cmol/mol': '%vol',
  ppm: 'ppm',
  ppmv: 'ppm',
  'ppm(v)': 'ppm',
  ppmmol: 'ppm',
  'µmol/mol': 'ppm',
  'umol/mol': 'ppm',
  ppb: 'ppb',
  ppbv: 'ppb',
  'nmol/mol': 'ppb',
};

/**
 * The unit of a certified gas as the house writes it; null where it is none, or could be several.
 * Source: amount fraction, ISO 6142-1:2015 and the SI brochure (µmol/mol for 10⁻⁶, cmol/mol for 10⁻²); ppm and vol.-% by common practice.
 *
 * @example
 * readGasUnit('µmol/mol') // 'ppm'
 * readGasUnit('Vol.-%') // '%vol'
 */
export function readGasUnit(text: string): '%vol' | 'ppm' | 'ppb' | null {
  const plain = text.trim().toLowerCase().replace(/\s+/g, '').replace('μ', 'µ');
  return UNITS[plain] ?? null;
}

/**
 * An expanded uncertainty as a certificate states it, in the unit of the value: "0.5", "0,5", or relative to it, "2 %". Null where it is none, or not above zero. `value` is a decimal text in that unit.
 *
 * @example
 * readExpanded('2 %', '25') // '0.5'
 * readExpanded('0,3', '25') // '0.3'
 */
export function readExpanded(text: string, value: string): string | null {
  const found = /^[±+\-/ ]*(\d{1,9}(?:[.,]\d{1,9})?)\s*(%(?:\s*rel\.?)?)?$/.exec(text.trim());
  if (!found) return null;
  const figure = new Dec(found[1]!.replace(',', '.'));
  const expanded = found[2] ? figure.times(value).div(100) : figure;
  return expanded.gt(0) ? expanded.toSignificantDigits(6).toFixed() : null;
}
