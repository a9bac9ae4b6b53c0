import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { IntlMessageFormat } from 'intl-messageformat';
import { describe, expect, it } from 'vitest';
import { EN } from './en';
import { fill, isPlain } from './fill';
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
  it('a plain message is filled as the grammar’s own library fills it; one that chooses brings the grammar along', () => {
    const plain = Object.entries(EN).filter(([, message]) => isPlain(message));
    expect(plain.length).toBeGreaterThan(500);
    for (const [code, message] of plain) {
      const numbers = Object.fromEntries(placesOf(message).map((name, index) => [name, index ? `${name} 0.50` : 0]));
      const byLibrary = new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }).format(numbers);
      expect(fill(message, numbers), code).toBe(byLibrary);
    }
    expect(() => fill('{serial} is here.')).toThrow(/serial/);
    const folder = join(import.meta.dirname, 'en');
    for (const name of readdirSync(folder).filter((one) => one !== 'index.ts')) {
      const source = readFileSync(join(folder, name), 'utf8');
      expect(/\{\w+,/.test(source), `${name} imports choices exactly when it has some`).toBe(source.includes("'../choices'"));
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
  it('whoever says a code imports the part of the catalogue that has it: what is said anywhere is there when it is said', () => {
    const parts = readdirSync(join(import.meta.dirname, 'en')).filter((name) => name !== 'index.ts');
    const partOf = new Map(
      parts.flatMap((name) =>
        [...readFileSync(join(import.meta.dirname, 'en', name), 'utf8').matchAll(/^  '([\w.]+)':/gm)].map(
          (one) => [one[1]!, name.slice(0, -3)] as const,
        ),
      ),
    );
    const always = [...readFileSync(join(import.meta.dirname, 'say.ts'), 'utf8').matchAll(/^import '\.\/en\/([\w-]+)'/gm)].map(
      (one) => one[1]!,
    );
    expect(always.length).toBeGreaterThan(2);
    const root = join(import.meta.dirname, '..', '..');
    const missing: string[] = [];
    let said = 0;
    for (const name of readdirSync(root, { recursive: true, encoding: 'utf8' })) {
      if (!/\.tsx?$/.test(name) || /\.test\.|core\/words\/|^workers\//.test(name)) continue;
      const source = readFileSync(join(root, name), 'utf8');
      // Refusals are told apart by their own short code, below.
      const begun = [...source.matchAll(/`((?:\w+\.)+)\$\{/g)].map((one) => one[1]!).filter((start) => start !== 'refused.');
      const codes = [
        ...[...source.matchAll(/'(\w+(?:\.\w+)+)'/g)].map((one) => one[1]!).filter((code) => partOf.has(code)),
        ...[...partOf.keys()].filter((code) => begun.some((start) => code.startsWith(start))),
        ...[...source.matchAll(/\brefused\(\s*'(\w+)'/g)].map((one) => `refused.${one[1]}`),
      ];
      said += codes.length;
      for (const part of new Set(codes.map((code) => partOf.get(code)!)))
        if (!always.includes(part) && !source.includes(`'@/core/words/en/${part}'`)) missing.push(`${name}: ${part}`);
    }
    // Names of influences and their basis stay codes while the core works; whoever says a budget says them.
    const kept = /^core\/(measurand|uncertainty|run)\/.*: budget$/;
    expect(said).toBeGreaterThan(700);
    expect(missing.filter((one) => !kept.test(one))).toEqual([]);
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
