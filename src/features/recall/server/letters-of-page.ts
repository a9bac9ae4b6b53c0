import { readSettings } from '@/platform/settings';
import type { Transaction } from '@/data/connection';
import { callsBack, lettersOf } from './counts-of';
import { recallLetter } from './letter';
import type { SuspicionPage } from './read-suspicion';

/** The letters as they would go out now. */
export async function recallLetters(tx: Transaction, { lines, suspicion }: Pick<SuspicionPage, 'lines' | 'suspicion'>) {
  const { name, address, contact } = await readSettings(tx);
  const laboratory = [name, address, contact].filter(Boolean).join(', ');
  return [...lettersOf(lines)].map(([customerId, own]) => ({
    customerId,
    customer: own[0]!.customer,
    body: recallLetter(suspicion.said, own, laboratory),
    onPaper: !own[0]!.email,
    back: callsBack(own),
  }));
}
