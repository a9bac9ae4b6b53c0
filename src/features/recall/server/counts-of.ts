import type { SuspicionLine } from './read-suspicion';

/** How many results rest on what is doubted, and how many of them change their verdict. */
export function countsOf(lines: readonly Pick<SuspicionLine, 'results'>[]): { results: number; changed: number } {
  const all = lines.flatMap((line) => line.results);
  const changed = all.filter((one) => one.was.verdict !== (one.would?.verdict ?? 'notJudged')).length;
  return { results: all.length, changed };
}

/** Lines that become a letter, by customer, in the order they have. */
export function lettersOf(lines: readonly SuspicionLine[]): Map<string, SuspicionLine[]> {
  const by = new Map<string, SuspicionLine[]>();
  for (const line of lines) {
    if (line.decision === 'keep') continue;
    const of = by.get(line.customerId);
    if (of) of.push(line);
    else by.set(line.customerId, [line]);
  }
  return by;
}

/** Whether one of them has to come back: what it goes by is withdrawn, and no later document stands. */
export const callsBack = (lines: readonly SuspicionLine[]): boolean =>
  lines.some((line) => line.decision === 'withdraw' && !line.since);
