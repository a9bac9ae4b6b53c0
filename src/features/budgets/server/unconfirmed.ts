import { isSame } from '@/core/results/confirmed-since';
import type { ResultLine } from '@/core/results/judged';
import type { Transaction } from '@/data/connection';
import { standingValues } from './standing-values';

export interface Unconfirmed {
  standing: string;
  measurand: string;
  value: number;
}

/** Standing values under these results that nobody has given a source yet. One that was confirmed meanwhile with the same figure counts as confirmed. */
export async function unconfirmedIn(tx: Transaction, lines: ResultLine[]): Promise<Unconfirmed[]> {
  const found = new Map<string, Unconfirmed>();
  for (const { unconfirmed } of lines.flatMap((line) => [...(line.found?.budget ?? []), ...(line.left?.budget ?? [])]))
    if (unconfirmed) found.set(`${unconfirmed.measurand}/${unconfirmed.standing}`, unconfirmed);
  if (found.size === 0) return [];
  const standing = await standingValues(tx);
  return [...found.values()].filter((one) => !standing.some((own) => isSame(own, one)));
}
