// What looks at the sources without running them. What was looked at and did not change is remembered by its content: a second look takes seconds.
import { join } from 'node:path';
import { ROOT } from './system.mjs';

const tool = (name, ...path) => join(ROOT, 'node_modules', name, ...path);
const kept = (name) => join(ROOT, 'node_modules', '.cache', name);

/** Program and arguments of each, by its name. */
export const SOURCE_CHECKS = Object.fromEntries(
  Object.entries({
    types: [tool('typescript', 'bin', 'tsc'), '--noEmit', '--incremental', '--tsBuildInfoFile', kept('tsc-check')],
    'arrows between folders': ['scripts/arrows.mjs'],
    format: [
      tool('prettier', 'bin', 'prettier.cjs'),
      ...['--check', '--log-level', 'warn'],
      ...['--cache', '--cache-strategy', 'content', '--cache-location', kept('prettier-check'), '.'],
    ],
    lint: [
      tool('eslint', 'bin', 'eslint.js'),
      ...['--max-warnings', '0'],
      ...['--cache', '--cache-strategy', 'content', '--cache-location', kept('eslint-check'), '.'],
    ],
  }).map(([name, args]) => [name, [process.execPath, args]]),
);
