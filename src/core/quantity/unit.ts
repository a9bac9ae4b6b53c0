import { requireRange } from '../range-error';
import { Dec } from './decimal';

export type Dimension =
  | 'fraction'
  | 'pressure'
  | 'temperature'
  | 'conductivity'
  | 'massConcentration'
  | 'volume'
  | 'flow'
  | 'voltage'
  | 'time'
  | 'length'
  | 'explosive'
  | 'acidity'
  | 'turbidity';
/** One unit: what it is in the dimension's base unit (value · factor + offset), and its UCUM code for exports. Factors are exact decimals. */
export interface Unit {
  symbol: string;
  ucum: string;
  dimension: Dimension;
  factor: string;
  offset?: string;
}

const unit = (symbol: string, ucum: string, dimension: Dimension, factor: string, offset?: string): Unit => ({
  symbol,
  ucum,
  dimension,
  factor,
  ...(offset ? { offset } : {}),
});

/** Units of the trade. Factors by definition (SI brochure; 1 mmHg = 133.322 Pa, 1 psi from the pound-force and the inch: NIST SP 811). */
export const UNITS: readonly Unit[] = [
  unit('%vol', '%', 'fraction', '0.01'),
  unit('ppm', '[ppm]', 'fraction', '0.000001'),
  unit('ppb', '[ppb]', 'fraction', '0.000000001'),
  unit('hPa', 'hPa', 'pressure', '100'),
  unit('kPa', 'kPa', 'pressure', '1000'),
  unit('mbar', 'mbar', 'pressure', '100'),
  unit('bar', 'bar', 'pressure', '100000'),
  unit('atm', 'atm', 'pressure', '101325'),
  unit('mmHg', 'mm[Hg]', 'pressure', '133.322'),
  unit('inHg', "[in_i'Hg]", 'pressure', '3386.3788'),
  unit('psi', '[psi]', 'pressure', '6894.757293168'),
  unit('K', 'K', 'temperature', '1'),
  unit('°C', 'Cel', 'temperature', '1', '273.15'),
  unit('µS/cm', 'uS/cm', 'conductivity', '0.0001'),
  unit('mS/cm', 'mS/cm', 'conductivity', '0.1'),
  unit('S/m', 'S/m', 'conductivity', '1'),
  unit('EC', 'mS/cm', 'conductivity', '0.1'),
  unit('mg/L', 'mg/L', 'massConcentration', '0.001'),
  unit('µg/L', 'ug/L', 'massConcentration', '0.000001'),
  unit('g/L', 'g/L', 'massConcentration', '1'),
  unit('mg/m³', 'mg/m3', 'massConcentration', '0.000001'),
  unit('L', 'L', 'volume', '1'),
  unit('mL', 'mL', 'volume', '0.001'),
  unit('L/min', 'L/min', 'flow', '1'),
  unit('mL/min', 'mL/min', 'flow', '0.001'),
  unit('mV', 'mV', 'voltage', '0.001'),
  unit('V', 'V', 'voltage', '1'),
  unit('s', 's', 'time', '1'),
  unit('min', 'min', 'time', '60'),
  unit('h', 'h', 'time', '3600'),
  unit('d', 'd', 'time', '86400'),
  unit('m', 'm', 'length', '1'),
  unit('ft', '[ft_i]', 'length', '0.3048'),
  unit('%LEL', '%{LEL}', 'explosive', '1'),
  unit('pH', '[pH]', 'acidity', '1'),
  // UCUM has no code of its own: an annotation, whose value is one.
  unit('NTU', '{NTU}', 'turbidity', '1'),
];

const PARTS = ['ppm', 'ppb', '%vol'] as const;
const EXPLOSIVE = ['%LEL', '%vol', 'ppm'] as const;

/** Every quantity that the house can calibrate, by the id that stands in models, runs and exports, with the units that a display of it may show. */
export const UNITS_OF = {
  oxygen: ['%vol', 'ppm'],
  methane: EXPLOSIVE,
  pentane: EXPLOSIVE,
  propane: EXPLOSIVE,
  'hydrogen sulphide': PARTS,
  'carbon monoxide': PARTS,
  'sulphur dioxide': PARTS,
  'carbon dioxide': PARTS,
  'nitrous oxide': PARTS,
  'anaesthetic agent': PARTS,
  hydrogen: PARTS,
  'volatile organics': PARTS,
  ethanol: ['g/210 L', 'mg/L', '‰'],
  pH: ['pH'],
  conductivity: ['µS/cm', 'mS/cm', 'EC'],
  'dissolved solids': ['ppm', 'ppt', 'mg/L'],
  'dissolved oxygen': ['mg/L', '%'],
  'oxygen saturation': ['mg/L', '%'],
  'redox potential': ['mV'],
  'ion concentration': ['mg/L', 'ppm', 'µg/L', 'g/L'],
  temperature: ['°C'],
  turbidity: ['NTU'],
} as const satisfies Record<string, readonly string[]>;

export type MeasurandId = keyof typeof UNITS_OF;
export const MEASURAND_IDS = Object.keys(UNITS_OF) as MeasurandId[];
export const isMeasurand = (id: unknown): id is MeasurandId => typeof id === 'string' && Object.hasOwn(UNITS_OF, id);

/** The unit of a symbol. Errors: RangeError for one that is not known. */
export function unitOf(symbol: string): Unit {
  const found = UNITS.find((candidate) => candidate.symbol === symbol);
  if (!found) throw new RangeError(`unit must be one of ${UNITS.map((one) => one.symbol).join(', ')}, got ${symbol}`);
  return found;
}

/**
 * Converts a value between two units of one dimension, on decimals and so without binary surprises.
 * Quantity: any of the table; range: finite; both units of one dimension. Errors: RangeError. Source: SI brochure, NIST SP 811.
 *
 * @example
 * convert({ value: '0.1', from: '%vol', to: 'ppm' }) // 1000
 */
export function convert({ value, from, to }: { value: number | string; from: string; to: string }): number {
  requireRange('value', Number(value), -Infinity, Infinity);
  const [source, target] = [unitOf(from), unitOf(to)];
  if (source.dimension !== target.dimension) throw new RangeError(`to must be a unit of ${source.dimension}, got ${to}`);
  return new Dec(value)
    .times(source.factor)
    .plus(source.offset ?? 0)
    .minus(target.offset ?? 0)
    .div(target.factor)
    .toNumber();
}

/**
 * UCUM codes of the units of an export, by the symbol on the display; a unit without one is left out.
 * Source: The Unified Code for Units of Measure; the tests check every code by a kept library.
 *
 * @example
 * ucumCodes(['ppm', '%LEL', 'ppm']) // { ppm: '[ppm]', '%LEL': '%{LEL}' }
 */
export function ucumCodes(symbols: string[]): Record<string, string> {
  return Object.fromEntries(UNITS.filter((one) => symbols.includes(one.symbol)).map((one) => [one.symbol, one.ucum]));
}
