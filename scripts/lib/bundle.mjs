// TypeScript made into plain files for Node, once, for what is started often (decisions 74 and 76).
import { rmSync } from 'node:fs';
import { ROOT } from './system.mjs';

/** Makes `outdir` anew: a file for each of `entryPoints`, what they share as modules of its own, names and lines readable. `more`: what else the bundler is told, above all what stays outside. */
export async function bundle({ entryPoints, outbase, outdir, ...more }) {
  const { build } = await import('esbuild');
  // Parts of an older one would lie there for ever.
  rmSync(outdir, { recursive: true, force: true });
  await build({
    absWorkingDir: ROOT,
    entryPoints,
    outbase,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
    ...more,
  });
}
