import { closeDatabase, database } from '@/data/connection';
import { verifyRecords } from '@/features/office/server';

/** npm run verify: says what is broken, by name; ends with 1 when anything is. */
const report = await verifyRecords(database());
for (const fault of report.faults) console.error(`BROKEN  ${fault.record}: ${fault.what}`);
console.log(
  `${report.runs} runs with ${report.events} events, ${report.certificates} certificates, ${report.audits} audit entries: ${report.faults.length === 0 ? 'all hold' : `${report.faults.length} faults`}`,
);
process.exitCode = report.faults.length ? 1 : 0;
await closeDatabase();
