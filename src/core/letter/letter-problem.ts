import { BLOCKS, PLACES, type LetterKind, type LetterText } from './letter-kind';
import { placesIn } from './letter-of';

/** What is wrong with a text, beside its field. */
export interface LetterProblem {
  field: keyof LetterText;
  code: 'empty' | 'unknownPlace' | 'placeMissing' | 'blockInSubject' | 'subjectLong' | 'bodyLong' | 'lineInSubject';
  place?: string;
}

/** Longest subject, in characters: what mail programs show of one, and far below the 998 of RFC 5322, 2.1.1. */
export const MOST_SUBJECT = 150;
export const MOST_BODY = 4000;

/**
 * What is wrong with a text that somebody wrote for a kind of letter: places that there are none of, places that must stand in it and don't, a subject of several lines.
 * Errors: none; an empty list for a good text.
 *
 * @example
 * letterProblems('windowLink', { subject: 'Hello', body: '{link}' })[0] // { field: 'body', code: 'placeMissing', place: 'until' }
 */
export function letterProblems(kind: LetterKind, { subject, body }: LetterText): LetterProblem[] {
  const { must, may } = PLACES[kind];
  const problems: LetterProblem[] = [];
  for (const [field, text] of [
    ['subject', subject],
    ['body', body],
  ] as const) {
    if (!text.trim()) problems.push({ field, code: 'empty' });
    for (const place of placesIn(text)) {
      if (![...must, ...may].includes(place)) problems.push({ field, code: 'unknownPlace', place });
      else if (field === 'subject' && BLOCKS.some((one) => one === place))
        problems.push({ field, code: 'blockInSubject', place });
    }
  }
  if (subject.length > MOST_SUBJECT) problems.push({ field: 'subject', code: 'subjectLong' });
  if (/[\r\n]/.test(subject)) problems.push({ field: 'subject', code: 'lineInSubject' });
  if (body.length > MOST_BODY) problems.push({ field: 'body', code: 'bodyLong' });
  const there = placesIn(body);
  for (const place of must) if (!there.includes(place)) problems.push({ field: 'body', code: 'placeMissing', place });
  return problems;
}
