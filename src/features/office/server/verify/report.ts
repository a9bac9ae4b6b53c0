/** One thing that is not as it was recorded, by name. */
export interface Fault {
  record: string;
  what: string;
}

export interface VerifyReport {
  runs: number;
  events: number;
  certificates: number;
  audits: number;
  changes: number;
  /** When the anchor was written that this was held against; null where there was none. */
  anchor: string | null;
  /** The first so many; `found` counts them all. */
  faults: Fault[];
  found: number;
}

/** Most that are kept by name: a house whose every row was touched must not fill the memory. */
const MOST = 1000;

export function emptyReport(): VerifyReport {
  return { runs: 0, events: 0, certificates: 0, audits: 0, changes: 0, anchor: null, faults: [], found: 0 };
}

export function addFault(report: VerifyReport, record: string, what: string): void {
  report.found += 1;
  if (report.faults.length < MOST) report.faults.push({ record, what });
}
