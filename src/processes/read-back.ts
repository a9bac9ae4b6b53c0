import { resolve } from 'node:path';
import { readHouse } from './whole/read-house';

/** npm run read-back -- FOLDER: an exported workshop into an empty house of the same version. Whoever runs it makes an administrator afterwards: passwords do not travel. */
const [given] = process.argv.slice(2);
if (!given) {
  console.error('Say which folder: npm run read-back -- FOLDER');
  process.exit(1);
}
try {
  const manifest = await readHouse(process.env.OWNER_DATABASE_URL!, resolve(given));
  console.log(`${manifest.tables.length} tables read. Now: npm run add-administrator -- "NAME" ADDRESS`);
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
}
