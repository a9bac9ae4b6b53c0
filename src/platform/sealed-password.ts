import { seal } from './seal';

interface Way {
  host: string;
  user: string;
}

/** A typed password, sealed; where none was typed the one that is kept, as long as it is for the same user at the same server. */
export const sealedPassword = (
  typed: Way & { password: string },
  before: (Way & { sealed: string }) | null,
  secret: string,
): string => {
  if (typed.password) return seal(typed.password, secret);
  return before?.host === typed.host && before.user === typed.user ? before.sealed : '';
};
