import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from '../lib/system.mjs';

/** Tests that draw at random, in full: on an ordinary day they draw a fifth. */
const DRAWN = ['read-log', 'fuzz', 'read-table', 'seeded-responses', 'any-way', 'conduct', 'score'];

export async function draws() {
  const { status, stdout } = spawnSync(
    process.execPath,
    [join(ROOT, 'node_modules', 'vitest', 'vitest.mjs'), 'run', '--project', 'unit', ...DRAWN.map((one) => `${one}.test`)],
    { cwd: ROOT, encoding: 'utf8', env: { ...process.env, WERKBANK_IN_FULL: 'yes', NO_COLOR: '1' }, maxBuffer: 1e8 },
  );
  const said = /Tests\s+(.*)/.exec(stdout)?.[1] ?? 'nothing ran';
  return status === 0 ? said : `${said}\n\n${stdout.slice(-4000)}`;
}
