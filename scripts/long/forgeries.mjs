// One value changed, one row taken away, added or mixed with another, table by table, by somebody with the superuser's password: what of it the verification names.
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, runBeside } from '../lib/system.mjs';

/** Resolves to what was found, in Markdown. */
export async function forgeries() {
  const out = join(mkdtempSync(join(tmpdir(), 'werkbank-forgeries-')), 'table.md');
  const vitest = join(ROOT, 'node_modules', 'vitest', 'vitest.mjs');
  const { code, output } = await runBeside(
    process.execPath,
    [vitest, 'run', '--project', 'database', 'tests/database/forgeries.test.ts'],
    {
      env: { ...process.env, FORGERIES: 'all', FORGERIES_OUT: out },
    },
  );
  if (code !== 0) throw new Error(output.slice(-4000));
  return readFileSync(out, 'utf8');
}
