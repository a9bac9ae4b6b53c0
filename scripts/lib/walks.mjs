// The walks of one part in the browser (playwright.config.ts), at a house whose doors are open.
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { addresses } from './cluster.mjs';
import { ROOT, runBeside } from './system.mjs';

export const reportOf = (part) => join(ROOT, 'test-results', `e2e-${part}.json`);

/** Resolves to the exit code, what was printed, and the report; null where there is none. */
export async function walkPart(part, house, { args = [], env = {} } = {}) {
  rmSync(reportOf(part), { force: true });
  const cli = join(ROOT, 'node_modules', '@playwright/test', 'cli.js');
  const { code, output } = await runBeside(process.execPath, [cli, 'test', ...args], {
    env: {
      ...house.env,
      ...env,
      E2E_PART: part,
      E2E_ORIGIN: house.env.WERKBANK_ORIGIN,
      E2E_CLUSTER: house.home,
      OWNER_DATABASE_URL: addresses(house.cluster).owner,
      NODE_ENV: 'test',
    },
  });
  return { code, output, report: existsSync(reportOf(part)) ? JSON.parse(readFileSync(reportOf(part), 'utf8')) : null };
}
