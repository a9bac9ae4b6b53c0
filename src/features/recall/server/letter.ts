import type { JudgedAnew } from '@/core/results/judge-anew';
import { say } from '@/core/words/say';
import type { SuspicionLine } from './read-suspicion';
import '@/core/words/en/recall';

/** What one customer is told: first in words, then each instrument with the size of every change, last what is asked. */
export function recallLetter(said: string, lines: readonly SuspicionLine[], laboratory: string): string {
  const items = lines.map((line) => {
    const document = line.number
      ? say({
          code: line.decision === 'withdraw' ? 'recall.itemWithdrawn' : 'recall.itemDocument',
          numbers: { number: line.number },
        })
      : '';
    const since = line.since ? say({ code: 'recall.itemSince', numbers: { number: line.since } }) : '';
    const numbers = { item: `${line.maker} ${line.model}`, serial: line.serial, document: document + since };
    return [say({ code: 'recall.item', numbers }), ...changedOf(line).map(size)].join('\n');
  });
  const back = lines.some((line) => line.decision === 'withdraw' && !line.since);
  return [said, items.join('\n\n'), say({ code: back ? 'recall.askBack' : 'recall.askJudge' }), laboratory].join('\n\n');
}

/** What is worth a customer's reading: where a figure moved, its verdict first of all. */
const changedOf = (line: SuspicionLine) => {
  const moved = line.results.filter((one) => one.was.verdict !== (one.would?.verdict ?? 'notJudged'));
  return moved.length ? moved : line.results;
};

function size(one: JudgedAnew): string {
  const numbers = {
    label: one.label,
    point: one.pointLabel,
    side: say({ code: `recall.side.${one.side}` }),
    reading: one.reading,
    unit: one.unit,
    stated: say({ code: `verdict.${one.was.verdict}` }),
  };
  if (!one.would) return say({ code: 'recall.sizeUnknown', numbers });
  return say({
    code: 'recall.size',
    numbers: {
      ...numbers,
      was: one.was.reference ?? '–',
      would: one.would.reference ?? '–',
      deviation: one.would.deviation ?? '–',
      before: one.was.deviation ?? '–',
      limit: one.would.limit ?? '–',
      verdict: say({ code: `verdict.${one.would.verdict}` }),
    },
  });
}
