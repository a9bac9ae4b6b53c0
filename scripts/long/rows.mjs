// The house's lists with a million instruments, beside the same lists of the demo.
import { addresses } from '../lib/cluster.mjs';
import { TSX } from '../lib/project.mjs';
import { closeHouse, ensureDemoDump, openHouse } from '../lib/seeded.mjs';
import { runBeside } from '../lib/system.mjs';

/** Resolves to what was found, in Markdown. */
export async function rows() {
  const house = await openHouse(await ensureDemoDump(), 'rows');
  try {
    const { code, output } = await runBeside(process.execPath, [TSX, 'src/processes/million-rows.ts'], {
      env: { ...house.env, OWNER_DATABASE_URL: addresses(house.cluster).owner },
    });
    if (code !== 0) throw new Error(output);
    return output.trim();
  } finally {
    closeHouse(house);
  }
}
