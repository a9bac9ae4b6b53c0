// Every walk through a family in the browser: npm test makes one for each kind of thing that only a browser shows.
import { openDoors } from '../lib/doors.mjs';
import { ensureBuild } from '../lib/project.mjs';
import { stopAll } from '../lib/processes.mjs';
import { closeHouse, ensureDemoDump, openHouse } from '../lib/seeded.mjs';
import { walkPart } from '../lib/walks.mjs';

/** Resolves to what was found, in Markdown. */
export async function families() {
  const dump = await ensureDemoDump();
  await ensureBuild();
  const house = await openHouse(dump, 'families');
  try {
    await openDoors(house);
    const { output, report } = await walkPart('families', house, { env: { WERKBANK_IN_FULL: 'yes' } });
    if (report?.stats.unexpected !== 0) console.log(output);
    const walked = (output.match(/✓.*› (family .*?)(?= \()/g) ?? []).map((one) => `- ${one.replace(/^.*› /, '')}`);
    return [`${report?.stats.expected ?? 0} passed, ${report?.stats.unexpected ?? 1} failed.`, '', ...walked].join('\n');
  } finally {
    await stopAll();
    closeHouse(house);
  }
}
