import type { Line } from './line';

/**
 * What was chosen for the first instrument of a receipt, for all of them: wish, promise, decision rule and the agreed due date; of the look what passed or doesn't apply, where the others have such a thing and nobody looked yet.
 * A fault is of one instrument alone, and so are its note and its samples.
 */
export function sameForAll(lines: readonly Line[]): Line[] {
  const [first, ...rest] = lines;
  if (!first) return [];
  const { service, rule, promiseOn, dueAgreed } = first;
  return [
    first,
    ...rest.map((line) => ({
      ...line,
      service,
      rule,
      promiseOn,
      dueAgreed,
      inspection: Object.fromEntries(
        Object.entries(line.inspection).map(([id, entry]) => {
          const same = first.inspection[id]?.result;
          const copied = entry.result === 'notLookedAt' && (same === 'pass' || same === 'notApplicable');
          return [id, copied ? { ...entry, result: same } : entry];
        }),
      ),
    })),
  ];
}
