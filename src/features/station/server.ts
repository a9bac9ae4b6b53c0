export { dryRun, type DryRow, type RowVerdict } from './server/dry-run';
export { takeLog, type Taken } from './server/take-log';
export { makeStationRecord } from './server/make-record';
export { entriesOf, latestEntries, type EntryView } from './server/entries';
