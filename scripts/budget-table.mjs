// npm run budget-table: the table of docs/decisions/017, from a throw-away demo.
import { runFile } from './lib/project.mjs';
import { closeHouse, ensureDemoDump, openHouse } from './lib/seeded.mjs';

const house = await openHouse(await ensureDemoDump(), 'table');
try {
  process.stdout.write(runFile(['src/processes/budget-table.ts'], house.env).stdout);
} finally {
  closeHouse(house);
}
