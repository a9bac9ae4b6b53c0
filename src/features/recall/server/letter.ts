import type { JudgedAnew } from '@/core/results/judge-anew';
import { say, type Language, type Numbers, type WordCode } from '@/core/words/say';
import { windowToBook } from '@/platform/books-by-window';
import { textIn } from '@/procedures/in-language';
import { callsBack } from './counts-of';
import type { SuspicionLine } from './read-suspicion';
import '@/core/words/en/recall';
import '@/core/words/en/recall-letter';
import '@/core/words/de';

/** What one customer is told: first in words, then each instrument with the size of every change, last what is asked. */
export function recallLetter(said: string, lines: readonly SuspicionLine[], laboratory: string): string {
  const language = lines[0]?.language ?? 'en';
  const w = (code: Extract<WordCode, `recall.${string}`>, numbers: Numbers = {}) => say({ code, numbers }, language);
  const items = lines.map((line) => {
    const document = line.number
      ? w(line.decision === 'withdraw' ? 'recall.itemWithdrawn' : 'recall.itemDocument', { number: line.number })
      : '';
    const since = line.since ? w('recall.itemSince', { number: line.since }) : '';
    const numbers = { item: `${line.maker} ${line.model}`, serial: line.serial, document: document + since };
    return [w('recall.item', numbers), ...changedOf(line).map((one) => size(one, language))].join('\n');
  });
  const back = callsBack(lines);
  // What is called back can be booked at once.
  const book = back ? windowToBook(lines[0]!.books, language) : '';
  // What nobody wrote anew is said in the customer's language; what somebody wrote stays as they wrote it.
  const first = said === say({ code: 'recall.saidUsual' }) ? w('recall.saidUsual') : said;
  return [first, items.join('\n\n'), w(back ? 'recall.askBack' : 'recall.askJudge'), book, laboratory]
    .filter(Boolean)
    .join('\n\n');
}

/** What is worth a customer's reading: where a figure moved, its verdict first of all. */
const changedOf = (line: SuspicionLine) => {
  const moved = line.results.filter((one) => one.was.verdict !== (one.would?.verdict ?? 'notJudged'));
  return moved.length ? moved : line.results;
};

function size(one: JudgedAnew, language: Language): string {
  const numbers = {
    label: textIn(one.label, language),
    point: textIn(one.pointLabel, language),
    side: say({ code: `recall.side.${one.side}` }, language),
    reading: one.reading,
    unit: one.unit,
    stated: say({ code: `verdict.${one.was.verdict}` }, language),
  };
  if (!one.would) return say({ code: 'recall.sizeUnknown', numbers }, language);
  return say(
    {
      code: 'recall.size',
      numbers: {
        ...numbers,
        was: one.was.reference ?? '–',
        would: one.would.reference ?? '–',
        deviation: one.would.deviation ?? '–',
        before: one.was.deviation ?? '–',
        limit: one.would.limit ?? '–',
        verdict: say({ code: `verdict.${one.would.verdict}` }, language),
      },
    },
    language,
  );
}
