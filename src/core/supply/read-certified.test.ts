import { describe, expect, it } from 'vitest';
import { readExpanded, readGasUnit } from './read-certified';
import { readSubstance } from './read-substance';

describe('what tables of bottles have in their cells', () => {
  it.each([
    // SI brochure, 9th edition, 5.4.7: 1 ppm is 1 µmol/mol where an amount is meant; "%" alone is not said of what.
    ['µmol/mol', 'ppm'],
    ['umol/mol', 'ppm'],
    ['Vol.-%', '%vol'],
    ['% vol', '%vol'],
    ['cmol/mol', '%vol'],
    ['nmol/mol', 'ppb'],
    ['%', null],
    ['mg/m³', null],
  ])('unit %s is %s', (text, unit) => expect(readGasUnit(text)).toBe(unit));

  it.each([
    ['2 %', '25', '0.5'],
    ['± 2 % rel.', '2.5', '0.05'],
    ['0,3', '25', '0.3'],
    ['0', '25', null],
    ['2 ppm', '25', null],
    ['', '25', null],
  ])('an uncertainty of “%s” at %s is %s', (text, value, expanded) => expect(readExpanded(text, value)).toBe(expanded));

  it.each([
    ['Carbon monoxide', 'CO'],
    ['h₂s', 'H2S'],
    ['Isobutylene', 'C4H8'],
    ['cl2', 'Cl2'],
    ['Nitrogen', 'balance'],
    ['bottle', null],
  ])('“%s” is %s', (text, substance) => expect(readSubstance(text)).toBe(substance));
});
