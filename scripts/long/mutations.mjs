// One comparison or sign of the judging heart is turned round at a time, in a copy of the sources, and the unit tests beside it have to notice.
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, runBeside, say } from '../lib/system.mjs';

const FILES = [
  ['src/core/run/judge.ts', ['src/core/run', 'src/core/certificate']],
  ['src/core/uncertainty/coverage.ts', ['src/core/uncertainty']],
  ['src/core/uncertainty/decide.ts', ['src/core/uncertainty']],
  ['src/core/results/results.ts', ['src/core/run', 'src/core/certificate', 'src/core/results']],
  ['src/core/results/judged.ts', ['src/core/run', 'src/core/certificate', 'src/core/results']],
  ['src/core/certificate/check/check-document.ts', ['src/core/certificate']],
  ['src/core/measurand/moved.ts', ['src/core/measurand']],
];
const TURNS = [
  [/ <= /g, ' < '],
  [/ >= /g, ' > '],
  [/ < /g, ' >= '],
  [/ > (?!=)/g, ' <= '],
  [/ === /g, ' !== '],
  [/ !== /g, ' === '],
  [/ && /g, ' || '],
  [/ \+ /g, ' - '],
];
/** At most so many of a file, spread over it: a trial of minutes, not of hours. */
const MOST = Number(process.env.MUTANTS ?? 6);

/** Resolves to what was found, in Markdown. */
export async function mutations() {
  const folder = mkdtempSync(join(tmpdir(), 'werkbank-mutants-'));
  const lines = [];
  let [killed, survived] = [0, 0];
  try {
    for (const name of ['src', 'package.json', 'tsconfig.json', 'vitest.config.ts', 'docs'])
      cpSync(join(ROOT, name), join(folder, name), { recursive: true });
    symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
    for (const [file, tests] of FILES) {
      const whole = readFileSync(join(ROOT, file), 'utf8');
      const mutants = TURNS.flatMap(([from, to]) =>
        [...whole.matchAll(from)].flatMap((match) => {
          const line = whole.slice(0, match.index).split('\n').length;
          const text = whole.split('\n')[line - 1];
          // Comments and types turn no figure.
          if (/^\s*(\*|\/\/|\/\*|type |export type |import )/.test(text)) return [];
          return [
            {
              line,
              from: match[0].trim(),
              to: to.trim(),
              source: whole.slice(0, match.index) + to + whole.slice(match.index + match[0].length),
            },
          ];
        }),
      ).sort((a, b) => a.line - b.line);
      const step = Math.max(1, Math.floor(mutants.length / MOST));
      for (const mutant of mutants.filter((_one, index) => index % step === 0).slice(0, MOST)) {
        writeFileSync(join(folder, file), mutant.source);
        const { code } = await runBeside(
          process.execPath,
          [join(ROOT, 'node_modules/vitest/vitest.mjs'), 'run', '--project', 'unit', '--bail', '1', ...tests],
          { cwd: folder },
        );
        if (code === 0) survived += 1;
        else killed += 1;
        const said = `${file}:${mutant.line}  ${mutant.from} → ${mutant.to}  ${code === 0 ? 'SURVIVED' : 'noticed'}`;
        lines.push(said);
        say(said);
      }
      writeFileSync(join(folder, file), whole);
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return `${killed} of ${killed + survived} turned-round lines of the judging heart were noticed by the tests beside them.\n\n\`\`\`\n${lines.join('\n')}\n\`\`\``;
}
