import type { LetterText } from './letter-kind';

const PLACE = /\{(\w+)\}/g;

/** Names of the places in a text, each once. */
export const placesIn = (text: string): string[] => [...new Set([...text.matchAll(PLACE)].map((one) => one[1]!))];

const fill = (line: string, places: Readonly<Record<string, string>>): string =>
  line.replace(PLACE, (_whole, name: string) => places[name] ?? '');

/**
 * The letter that a text gives with what stands in its places. A line that holds nothing but places without anything in them falls away, and no more than one line is left empty in a row; a subject is one line.
 * Errors: none; a place that isn't given is empty, because a letter is never held up by one.
 *
 * @example
 * letterOf({ subject: 'Due: {count}', body: 'Hello\n\n{booking}\n\nBye' }, { count: '3' }) // { subject: 'Due: 3', body: 'Hello\n\nBye' }
 */
export function letterOf({ subject, body }: LetterText, places: Readonly<Record<string, string>>): LetterText {
  const lines = body
    .replaceAll('\r\n', '\n')
    .split('\n')
    .flatMap((line) => {
      const said = fill(line, places);
      return said.trim() === '' && line.trim() !== '' ? [] : [said];
    });
  return {
    subject: fill(subject, places).replace(/\s+/g, ' ').trim(),
    body: lines
      .join('\n')
      .replace(/\n{3,}/g, '\n\n')
      .trim(),
  };
}
