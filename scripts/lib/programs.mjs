// The processes that stand, and commands that are waited for, each as one plain file beside the build: from TypeScript jobs takes four times as long to start, and twice the memory.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ROOT } from './system.mjs';

export const MADE = [
  'src/processes/web.ts',
  'src/processes/jobs.ts',
  'src/processes/gateway.ts',
  'src/standins/mail-server.ts',
  'src/standins/instrument-server.ts',
  'src/standins/station-server.ts',
  'src/standins/bench-device-server.ts',
  'src/processes/verify.ts',
  'src/processes/people-count.ts',
  'src/processes/export-house.ts',
  'src/processes/read-back.ts',
  'src/processes/demo-lines.ts',
];
const FOLDER = join(ROOT, '.next', 'programs');

/** Makes them anew, from the sources as they are. Packages stay where they are. Names and lines stay readable, so a stack needs no map: reading those of a whole build takes seconds of each start. */
export const makePrograms = () => bundle({ entryPoints: MADE, outbase: 'src', outdir: FOLDER, packages: 'external' });

/** From here on this process and whatever it starts take the plain files: only where they are known to be made from these sources. */
export const takePrograms = () => void (process.env.WERKBANK_PROGRAMS = FOLDER);

/** What Node is started with for one of the processes: the plain file where those are in use, else its source. Example: `src/processes/jobs.ts` → `['.next/programs/processes/jobs.mjs']`. */
export function programOf(file) {
  const folder = process.env.WERKBANK_PROGRAMS;
  const made = folder && join(folder, file.replace(/^src\//, '').replace(/\.ts$/, '.mjs'));
  return made && existsSync(made) ? [made] : ['--import', 'tsx', file];
}
