import { existsSync, readdirSync } from 'node:fs';
import { resolve } from 'node:path';
import { exportHouse } from './whole/export-house';

/** npm run export -- FOLDER: the whole workshop as open files, with a description. */
const [given] = process.argv.slice(2);
if (!given || (existsSync(resolve(given)) && readdirSync(resolve(given)).length)) {
  console.error('Say which new or empty folder: npm run export -- FOLDER');
  process.exit(1);
}
const manifest = await exportHouse(process.env.OWNER_DATABASE_URL!, resolve(given), new Date(), (what) =>
  console.log(`  ${what}`),
);
console.log(`${manifest.tables.length} tables, ${Object.keys(manifest.files).length} files in ${resolve(given)}`);
