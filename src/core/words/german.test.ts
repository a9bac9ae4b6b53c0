import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { DE } from './de';
import { addWords } from './registry';
import { say, type WordCode } from './say';

const folder = (language: string) => join(import.meta.dirname, language);
const codesOf = (language: string, part: string) =>
  [...readFileSync(join(folder(language), `${part}.ts`), 'utf8').matchAll(/^  '([\w.]+)':/gm)].map((one) => one[1]!);
const places = (message: string) => [...message.matchAll(/\{(\w+)/g)].map((one) => one[1]!).toSorted();
const EN_WORDS = /\b(the|and|with|from|not|is|are|of|by)\b/;

describe('the German catalogue', () => {
  it('each part has the codes of the English one, all of them and no others, each with its places', async () => {
    const parts = readdirSync(folder('de'))
      .filter((name) => name !== 'index.ts')
      .map((name) => name.slice(0, -3));
    expect(parts.toSorted()).toEqual(Object.keys(DE).toSorted());
    for (const part of parts) {
      expect(codesOf('de', part).toSorted(), part).toEqual(codesOf('en', part).toSorted());
      const english = Object.values((await import(`./en/${part}.ts`)) as Record<string, Record<string, string>>)[0]!;
      for (const [code, message] of Object.entries(DE[part as keyof typeof DE] as Record<string, string>)) {
        // A place may be left out where German has no use for it, never made up.
        const [own, theirs] = [new Set(places(message)), new Set(places(english[code]!))];
        for (const place of own) if (!/^\{\w+,/.test(message)) expect(theirs.has(place), `${code}: ${place}`).toBe(true);
      }
    }
  });
  it('says German, and no English sentence', () => {
    for (const part of Object.values(DE))
      for (const [code, message] of Object.entries(part)) expect(message.replace(/\{\w+/g, ''), code).not.toMatch(EN_WORDS);
    expect(say({ code: 'verdict.outside' }, 'de')).toBe('außerhalb');
    expect([1, 3].map((count) => say({ code: 'letter.instruments', numbers: { count } }, 'de'))).toEqual(['1 Gerät', '3 Geräte']);
  });
  it('its files are named among those with an effect: a bundler leaves the others out', () => {
    const { sideEffects } = JSON.parse(readFileSync(join(process.cwd(), 'package.json'), 'utf8')) as { sideEffects: string[] };
    for (const language of ['en', 'de']) expect(sideEffects).toContain(`**/core/words/${language}/*.ts`);
  });
  it('a code that it lacks is said in English rather than not at all', () => {
    addWords({ 'test.only': 'only English' });
    expect(say({ code: 'test.only' as WordCode }, 'de')).toBe('only English');
  });
});
