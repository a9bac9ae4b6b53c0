import type { LetterProblem } from '@/core/letter/letter-problem';
import { MOST_BODY, MOST_SUBJECT } from '@/core/letter/letter-problem';
import { say } from '@/core/words/say';
import '@/core/words/en/mails-room';

/** What is wrong with a text, in words. */
export const saidOfLetter = ({ code, place, field }: LetterProblem): string =>
  say({
    code: `mailsRoom.problem.${code}`,
    numbers: { place: `{${place ?? ''}}`, most: field === 'subject' ? MOST_SUBJECT : MOST_BODY },
  });
