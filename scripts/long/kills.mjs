// Stand-in, gateway and web process are killed in the middle of a span and started again, round after round, each at a house of its own.
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { addresses } from '../lib/cluster.mjs';
import { openDoors } from '../lib/doors.mjs';
import { ensureBuild } from '../lib/project.mjs';
import { stopAll } from '../lib/processes.mjs';
import { closeHouse, ensureDemoDump, openHouse } from '../lib/seeded.mjs';
import { ROOT, runBeside, say } from '../lib/system.mjs';

const ROUNDS = Number(process.env.ROUNDS ?? 4);

/** Resolves to what was found, in Markdown. */
export async function kills() {
  const dump = await ensureDemoDump();
  await ensureBuild();
  const lines = [];
  for (let round = 1; round <= ROUNDS; round += 1) {
    const house = await openHouse(dump, `kills${round}`);
    const report = join(ROOT, 'test-results', 'e2e-kills.json');
    rmSync(report, { force: true });
    try {
      await openDoors(house);
      const { output } = await runBeside(
        process.execPath,
        [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test', '--retries=0'],
        {
          env: {
            ...house.env,
            E2E_PART: 'kills',
            E2E_ORIGIN: house.env.WERKBANK_ORIGIN,
            E2E_CLUSTER: house.home,
            OWNER_DATABASE_URL: addresses(house.cluster).owner,
            NODE_ENV: 'test',
          },
        },
      );
      const { stats } = JSON.parse(readFileSync(report, 'utf8'));
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
  return `\`\`\`\n${lines.join('\n')}\n\`\`\``;
}
