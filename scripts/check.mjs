// npm run check: what a change needs before it is committed, in under a minute and a half: types, lint, format, arrows, and the unit tests that the change touches.
import { join } from 'node:path';
import { ensureModules } from './lib/project.mjs';
import { SOURCE_CHECKS } from './lib/source-checks.mjs';
import { ROOT, run, runBeside, say } from './lib/system.mjs';

ensureModules();
const bin = (name, ...path) => join(ROOT, 'node_modules', name, ...path);
const node = (...args) => runBeside(process.execPath, args, { env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } });
const changed = run('git', ['status', '--porcelain', '--untracked-files=all'], { mayFail: true })
  .stdout.split('\n')
  .map((line) => line.slice(3).split(' -> ').at(-1))
  .filter((file) => /\.(ts|tsx|mjs|cjs)$/.test(file ?? ''));
let failed = 0;
async function check(name, work) {
  const { code, output } = await work;
  say(`${code === 0 ? 'ok    ' : 'FAILED'} ${name}`);
  if (code === 0) return;
  failed += 1;
  console.log(output.trim());
}
const source = (name) =>
  check(name, runBeside(...SOURCE_CHECKS[name], { env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } }));
await Promise.all([source('types').then(() => source('arrows between folders')), source('format').then(() => source('lint'))]);
// Without a change there is nothing that it touches.
if (changed.length)
  await check(
    'units that the change touches',
    node(bin('vitest', 'vitest.mjs'), 'related', '--run', '--project', 'unit', '--project', 'component', ...changed),
  );
say(failed ? `${failed} failed` : 'all good');
process.exit(failed ? 1 : 0);
