import { readFileSync } from 'node:fs';
import { closeDatabase, database } from '@/data/connection';
import { makeAnchor, readAnchor, verifyRecords } from '@/features/office/server';
import { keepAnchor, newestAnchor } from './anchor-files';

/**
 * npm run verify: says what is broken, by name; ends with 1 when anything is. Held against the newest anchor, or against the one named by --anchor FILE. --since-anchor goes on from it. --write-anchor writes a new one when all holds.
 */
const asked = process.argv.slice(2);
const file = asked[asked.indexOf('--anchor') + 1];
const anchor = asked.includes('--anchor') && file ? await readAnchor(readFileSync(file, 'utf8')) : await newestAnchor();
const began = Date.now();
const report = await verifyRecords(database(), { anchor, sinceAnchor: asked.includes('--since-anchor') });
for (const fault of report.faults) console.error(`BROKEN  ${fault.record}: ${fault.what}`);
console.log(
  `${report.runs} runs with ${report.events} events, ${report.certificates} documents, ${report.audits} audit entries, ${report.changes} changes, ${anchor ? `anchor of ${report.anchor}` : 'no anchor yet'}: ${report.found === 0 ? 'all hold' : `${report.found} faults`} (${((Date.now() - began) / 1000).toFixed(1)} s)`,
);
if (report.found === 0 && asked.includes('--write-anchor')) {
  const missed = keepAnchor(await makeAnchor(database(), new Date()));
  missed.forEach((one) => console.error(`anchor not written: ${one}`));
  console.log('anchor written');
}
process.exitCode = report.found ? 1 : 0;
await closeDatabase();
