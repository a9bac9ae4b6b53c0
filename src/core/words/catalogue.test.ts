import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { IntlMessageFormat } from 'intl-messageformat';
import { describe, expect, it } from 'vitest';
import { EN } from './en';
import { isWordCode, say, type WordCode } from './say';

type Part = { type: number; value?: string; options?: Record<string, { value: Part[] }> };
/** Places of a message, by its own grammar (ICU), nested choices included. */
const placesOf = (message: string): string[] => {
  const walk = (parts: Part[]): string[] =>
    parts.flatMap((one) => [
      ...(one.type === 0 || one.type === 7 ? [] : [one.value!]),
      ...Object.values(one.options ?? {}).flatMap((option) => walk(option.value)),
    ]);
  return [...new Set(walk(new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }).getAst() as Part[]))];
};

describe('the catalogue of words', () => {
  it('every message is said whole: its places filled, no brace left over, no two words run together', () => {
    for (const [code, message] of Object.entries(EN)) {
      const numbers = Object.fromEntries(placesOf(message).map((name) => [name, /count|share/.test(name) ? 3 : 'X']));
      const said = say({ code: code as WordCode, numbers });
      expect(said.trim(), code).not.toBe('');
      expect(said, code).not.toMatch(/[{}]|undefined| {2}|X[A-Za-z]{4,}/);
    }
  });
  it('no code stands in two files: the later would silently win', () => {
    const folder = join(import.meta.dirname, 'en');
    const codes = readdirSync(folder)
      .filter((name) => name !== 'index.ts')
      .flatMap((name) => [...readFileSync(join(folder, name), 'utf8').matchAll(/^  '([\w.]+)':/gm)].map((one) => one[1]!));
    expect(codes.length).toBeGreaterThan(300);
    expect(codes.filter((code, index) => codes.indexOf(code) !== index)).toEqual([]);
  });
  it('a code that no catalogue has is refused by name; figures stand as they were given', () => {
    expect(() => say({ code: 'no.such' as WordCode })).toThrow(/no\.such/);
    expect(isWordCode('toString')).toBe(false);
    expect(isWordCode('influence.resolution')).toBe(true);
    expect(say({ code: 'check.findings', numbers: { count: 1 } })).toBe('One thing does not hold.');
    expect(
      say({ code: 'finding.deviation', numbers: { reading: '25.0', reference: '24.90', expected: '0.10', deviation: '0.1' } }),
    ).toContain('24.90');
  });
});
