import { isWordCode, say } from '@/core/words/say';
import '@/core/words/en/did';
import type { Named } from './server/names-of-ids';

export const IDS = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;

/** What was done, as people say it; the name of the door where the catalogue has none. */
export function saidOfAction(action: string): string {
  const code = `did.${action}`;
  return isWordCode(code) ? say({ code }) : action;
}

/** A subject in pieces: text as it is, ids by what people call them and where that is. */
export function piecesOf(subject: string, names: Record<string, Named>): (string | Named)[] {
  const pieces: (string | Named)[] = [];
  let at = 0;
  for (const match of subject.matchAll(IDS)) {
    if (match.index > at) pieces.push(subject.slice(at, match.index));
    pieces.push(names[match[0]] ?? match[0]);
    at = match.index + match[0].length;
  }
  if (at < subject.length) pieces.push(subject.slice(at));
  return pieces;
}
