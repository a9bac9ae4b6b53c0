// Arrows between folders go one way. Fails when the checker saw no module: a checker that sees nothing is green for the wrong reason.
import { spawnSync } from 'node:child_process';
import { ROOT } from './lib/system.mjs';

const result = spawnSync(
  process.execPath,
  [
    'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
    'src',
    '--config',
    '.dependency-cruiser.cjs',
    '--output-type',
    'json',
    // By content, as the other looks at the sources: what did not change is not looked at again.
    ...['--cache', 'node_modules/.cache/arrows', '--cache-strategy', 'content'],
  ],
  { cwd: ROOT, encoding: 'utf8', maxBuffer: 256e6 },
);
if (!result.stdout.startsWith('{')) {
  console.error(result.stderr || result.stdout);
  process.exit(1);
}
const { summary, modules } = JSON.parse(result.stdout);
const ours = modules.filter((module) => module.source.startsWith('src/') && module.dependencies.length > 0);
for (const violation of summary.violations) console.error(`${violation.rule.name}: ${violation.from} → ${violation.to}`);
if (ours.length < 20) {
  console.error(`only ${ours.length} modules with imports were seen: the check is blind`);
  process.exit(1);
}
console.log(
  `${summary.totalCruised} modules, ${summary.totalDependenciesCruised} arrows, ${summary.violations.length} against the rules`,
);
process.exit(summary.violations.length ? 1 : 0);
