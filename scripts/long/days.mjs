import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clockAt } from '../lib/another-day.mjs';
import { ROOT, runBeside, say } from '../lib/system.mjs';

/** Moments at which a day is easily got wrong. The demo's workshop is in Europe/Berlin. */
export const MOMENTS = [
  ['2027-01-03T23:20:00Z', 'a Monday there, still Sunday by UTC'],
  ['2027-03-27T23:30:00Z', 'the night in which the hour from two to three is missing'],
  ['2027-10-30T23:30:00Z', 'the night in which the hour from two to three comes twice'],
  ['2027-12-31T23:15:00Z', 'New Year there, still the old one by UTC'],
  ['2028-02-29T11:00:00Z', 'a leap day'],
  ['2030-08-14T07:30:00Z', 'a morning years ahead'],
];

/** The demo made, and units, components, outside checks and databases tried, as if it were another day. */
export async function days(moments = MOMENTS) {
  const lines = [];
  for (const [moment, why] of moments) {
    // Its demo is no other day's: kept where nobody looks for today's, and only as long.
    const cache = mkdtempSync(join(tmpdir(), 'werkbank-day-'));
    const env = () => ({
      ...process.env,
      ...clockAt(`+${Math.round((Date.parse(moment) - Date.now()) / 1000)}`),
      NO_COLOR: '1',
      WERKBANK_CACHE: cache,
    });
    const run = (...args) => runBeside(process.execPath, args, { env: env() });
    const tests = (...projects) =>
      run(join(ROOT, 'node_modules', 'vitest', 'vitest.mjs'), 'run', ...projects.flatMap((one) => ['--project', one]));
    const [demo, ...tried] = await Promise.all([
      run(
        '--input-type=module',
        '-e',
        "const { ensureDemoDump } = await import('./scripts/lib/seeded.mjs'); await ensureDemoDump();",
      ),
      tests('unit', 'component', 'outside'),
      tests('database'),
    ]);
    const said = tried.map(({ output }) => /^ +Tests +(.*)/m.exec(output)?.[1] ?? 'nothing ran').join(', ');
    say(`${moment}: ${said}`);
    lines.push(`- ${moment}, ${why}: demo ${demo.code === 0 ? 'made' : 'NOT made'}; ${said}.`);
    for (const { code, output } of [demo, ...tried])
      if (code !== 0)
        lines.push(
          `\n    ${output
            .replace(/^.*✓.*\n/gm, '')
            .slice(-3000)
            .replaceAll('\n', '\n    ')}\n`,
        );
    rmSync(cache, { recursive: true, force: true });
  }
  return lines.join('\n');
}
