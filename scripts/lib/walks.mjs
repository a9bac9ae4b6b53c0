// The walks of one part in the browser (playwright.config.ts), at a house whose doors are open.
import { existsSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundle } from './bundle.mjs';
import { addresses } from './cluster.mjs';
import { ROOT, runBeside } from './system.mjs';

export const reportOf = (part) => join(ROOT, 'test-results', `e2e-${part}.json`);

/** Beside the packages, so that the runner takes them as they are. */
const FOLDER = join(ROOT, 'node_modules', '.cache', 'werkbank-walks');
/** Packages that are no modules of the language, or have parts of the machine's own. The others come along: the runner asks of each of their files what it is. */
const STAY = [
  '@axe-core/playwright',
  '@node-rs/argon2',
  '@playwright/test',
  'exceljs',
  'mailparser',
  'otpauth',
  'pg',
  'pino',
  'qrcode',
];
let made;

/** The walks as plain files: each process of the runner, a dozen in one test of the house, else turns half the server's sources into JavaScript before its first walk. What they share stays one module. Resolves to their folder. */
async function makeWalks() {
  const sources = join(ROOT, 'tests', 'e2e');
  const folder = join(FOLDER, 'e2e');
  await bundle({
    entryPoints: readdirSync(sources, { recursive: true })
      .filter((name) => name.endsWith('.spec.ts'))
      .map((name) => join(sources, name)),
    outbase: sources,
    outdir: folder,
    external: STAY,
    // Scripts know by their own place where the house is.
    plugins: [
      {
        name: 'scripts-stay',
        setup: ({ onResolve }) =>
          onResolve({ filter: /scripts\/lib\// }, ({ path, resolveDir }) => ({
            path: pathToFileURL(join(resolveDir, path)).href,
            external: true,
          })),
      },
    ],
  });
  return folder;
}

/** Resolves to the exit code, what was printed, and the report; null where there is none. */
export async function walkPart(part, house, { args = [], env = {} } = {}) {
  rmSync(reportOf(part), { force: true });
  const folder = await (made ??= makeWalks());
  const cli = join(ROOT, 'node_modules', '@playwright/test', 'cli.js');
  const { code, output } = await runBeside(process.execPath, [cli, 'test', ...args], {
    env: {
      ...house.env,
      ...env,
      E2E_PART: part,
      E2E_FOLDER: folder,
      E2E_ORIGIN: house.env.WERKBANK_ORIGIN,
      E2E_CLUSTER: house.home,
      OWNER_DATABASE_URL: addresses(house.cluster).owner,
      NODE_ENV: 'test',
    },
  });
  return { code, output, report: existsSync(reportOf(part)) ? JSON.parse(readFileSync(reportOf(part), 'utf8')) : null };
}
