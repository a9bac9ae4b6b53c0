// Stand-in, gateway and web process are killed in the middle of a span and started again, round after round, each at a house of its own; and two job processes in the midst of their mails.
import { join } from 'node:path';
import { openDoors } from '../lib/doors.mjs';
import { ensureBuild } from '../lib/project.mjs';
import { stopAll } from '../lib/processes.mjs';
import { closeHouse, ensureDemoDump, openHouse } from '../lib/seeded.mjs';
import { ROOT, runBeside, say } from '../lib/system.mjs';
import { walkPart } from '../lib/walks.mjs';

const ROUNDS = Number(process.env.ROUNDS ?? 4);

/** Resolves to what was found, in Markdown. */
export async function kills() {
  const dump = await ensureDemoDump();
  await ensureBuild();
  const lines = [];
  for (let round = 1; round <= ROUNDS; round += 1) {
    const house = await openHouse(dump, `kills${round}`);
    try {
      await openDoors(house);
      const { output, report } = await walkPart('kills', house, { args: ['--retries=0'] });
      const stats = report?.stats ?? { unexpected: 1, expected: 0 };
      const told = output.match(/kills: .*/g) ?? [];
      lines.push(
        `round ${round}: ${stats.unexpected === 0 && stats.expected > 0 ? 'nothing lost' : 'FAILED'}${told.map((one) => `; ${one}`).join('')}`,
      );
      if (stats.unexpected) console.log(output);
      say(lines.at(-1));
    } finally {
      await stopAll();
      closeHouse(house);
    }
  }
  lines.push(await workers());
  return `\`\`\`\n${lines.join('\n')}\n\`\`\``;
}

/** Two job processes, killed twenty times in the midst of their mails. */
async function workers() {
  const { code, output } = await runBeside(
    process.execPath,
    [join(ROOT, 'node_modules', 'vitest', 'vitest.mjs'), 'run', '--project', 'database', 'killed-workers'],
    { env: { ...process.env, WERKBANK_KILLS: process.env.WERKBANK_KILLS ?? '20', NO_COLOR: '1' } },
  );
  if (code !== 0) console.log(output);
  return `mails, two job processes: ${code === 0 ? 'each arrived once or is marked' : 'FAILED'}; ${/Tests +(.*)/.exec(output)?.[1] ?? 'nothing ran'}`;
}
