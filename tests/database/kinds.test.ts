import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openWorld, type World } from './world';

const ROOT = join(import.meta.dirname, '..', '..');
/** The first line of cells that are still to come: it only gets lower. */
const MOST_MISSING = 0;

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const rows = readFileSync(join(ROOT, 'docs', 'kinds-of-things.md'), 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('| ') && !line.startsWith('| Kind') && !line.startsWith('| ---'))
  .map((line) => {
    const [kind, tables, ...cells] = line
      .slice(1, -1)
      .split('|')
      .map((cell) => cell.trim());
    return { kind: kind!, tables: tables!.split(', '), cells };
  });
const cells = rows.flatMap((row) => row.cells.map((cell) => ({ kind: row.kind, cell })));

describe('kinds of things', () => {
  it('every table of the database belongs to a kind, and to one', async () => {
    const { rows: there } = await world.superuser.query<{ name: string }>(
      "select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1",
    );
    const named = rows.flatMap((row) => row.tables).sort();
    expect(named).toEqual(there.map((one) => one.name).sort());
  });
  it('every cell names a test that is there, or says why not', () => {
    const tests = new Set(
      ['tests', 'src'].flatMap((folder) =>
        readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
          .filter((name) => /\.(test|spec)\.tsx?$/.test(name))
          .map((name) => basename(name).replace(/\.(test|spec)\.tsx?$/, '')),
      ),
    );
    expect(rows.every((row) => row.cells.length === 7)).toBe(true);
    expect(cells.filter(({ cell }) => !cell.startsWith('no: ') && cell !== 'missing' && !tests.has(cell))).toEqual([]);
  });
  it('at most one cell in eight is not wanted, and what is missing gets less', () => {
    expect(cells.filter(({ cell }) => cell.startsWith('no: ')).length).toBeLessThanOrEqual(cells.length / 8);
    expect(cells.filter(({ cell }) => cell === 'missing').length).toBeLessThanOrEqual(MOST_MISSING);
  });
});
