import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { MADE, programOf, takePrograms } from '../../scripts/lib/programs.mjs';

const before = process.env.WERKBANK_PROGRAMS;
afterEach(() => {
  if (before === undefined) delete process.env.WERKBANK_PROGRAMS;
  else process.env.WERKBANK_PROGRAMS = before;
});

describe('processes made with the build', () => {
  it.each(MADE)('%s is a plain file', (file) => {
    takePrograms();
    const [program, ...more] = programOf(file);
    expect(more).toEqual([]);
    expect(existsSync(program!)).toBe(true);
  });
  it('look for nothing beside their sources: it would not be there', () => {
    takePrograms();
    const folder = process.env.WERKBANK_PROGRAMS!;
    const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.mjs'));
    expect(files.length).toBeGreaterThan(MADE.length);
    const looking = files.filter((name) => /import\.meta\.(url|dirname|filename)/.test(readFileSync(join(folder, name), 'utf8')));
    expect(looking).toEqual([]);
  });
  it('are run from their sources where nobody made sure of the build, and so is what is not among them', () => {
    delete process.env.WERKBANK_PROGRAMS;
    expect(programOf('src/processes/jobs.ts')).toEqual(['--import', 'tsx', 'src/processes/jobs.ts']);
    takePrograms();
    expect(programOf('src/processes/seed.ts')).toEqual(['--import', 'tsx', 'src/processes/seed.ts']);
  });
});
