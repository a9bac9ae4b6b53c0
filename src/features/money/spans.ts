/** Ready for longer than this and nobody fetched it, days. */
export const UNCOLLECTED_AFTER_DAYS = 14;
/** Turnaround is told of so many that were returned last. */
export const TURNAROUND_OF = 200;
