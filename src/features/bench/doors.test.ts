import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const ROOT = join(import.meta.dirname, '..', '..');
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? sources(join(folder, entry.name))
      : /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name)
        ? [readFileSync(join(folder, entry.name), 'utf8')]
        : [],
  );

it('every command of the core is sent by a screen or the use case behind its button', () => {
  const commands = [...readFileSync(join(ROOT, 'core', 'run', 'command.ts'), 'utf8').matchAll(/\btype: '(\w+)'/g)].map(
    (one) => one[1]!,
  );
  expect(commands.length).toBeGreaterThan(20);
  const sent = sources(join(ROOT, 'features')).join('\n');
  expect(commands.filter((command) => !new RegExp(`type: '${command}'`).test(sent))).toEqual([]);
});
