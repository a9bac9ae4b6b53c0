// npm run release [-- FOLDER]: one archive with sources, build and the packages that a house needs: the machine that runs it builds nothing and asks no registry.
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { ensureBuild, ensureModules, stampModules } from './lib/project.mjs';
import { giveUp, readJson, ROOT, run, say } from './lib/system.mjs';

/** What only whoever builds needs. */
const LEFT_OUT = /^(tests|docs\/screenshots|\.ci)\//;

export async function makeRelease(folder = join(ROOT, 'release')) {
  ensureModules();
  await ensureBuild();
  const commit = run('git', ['-C', ROOT, 'rev-parse', 'HEAD']).stdout.trim();
  const { version } = readJson(join(ROOT, 'package.json'));
  const name = `werkbank-${version}-${commit.slice(0, 8)}`;
  const work = mkdtempSync(join(tmpdir(), 'werkbank-release-'));
  const into = join(work, name);
  try {
    const files = run('git', ['-C', ROOT, 'ls-files', '-z']).stdout.split('\0');
    for (const file of files.filter((one) => one && !LEFT_OUT.test(one) && existsSync(join(ROOT, one)))) {
      mkdirSync(dirname(join(into, file)), { recursive: true });
      cpSync(join(ROOT, file), join(into, file));
    }
    cpSync(join(ROOT, '.next'), join(into, '.next'), {
      recursive: true,
      filter: (path) => !/\.next\/(cache|dev|trace)/.test(path),
    });
    const got = run('npm', ['ci', '--omit=dev', '--no-audit', '--no-fund'], { cwd: into, mayFail: true });
    if (got.status !== 0) giveUp(`npm ci failed:\n${got.stderr}`);
    stampModules(into);
    writeFileSync(
      join(into, 'release.json'),
      JSON.stringify({ version, commit, built: new Date().toISOString(), node: process.version }),
    );
    mkdirSync(folder, { recursive: true });
    const file = join(folder, `${name}.tar.gz`);
    run('tar', ['-C', work, '-czf', file, name]);
    const sum = createHash('sha256').update(readFileSync(file)).digest('hex');
    writeFileSync(`${file}.sha256`, `${sum}  ${name}.tar.gz\n`);
    return { file, name, bytes: statSync(file).size };
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

if (import.meta.url === `file://${process.argv[1]}`) {
  const { file, bytes } = await makeRelease(process.argv[2] ? resolve(process.argv[2]) : undefined);
  say(`${file} (${(bytes / 1e6).toFixed(0)} MB), its sum beside it. To install: unpack, npm run serve. See docs/running.md.`);
}
