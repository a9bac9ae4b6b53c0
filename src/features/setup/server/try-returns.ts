import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readMailbox, typedReturnsMailbox, type ReturnsMailbox } from '@/platform/returns-mailbox';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/returns';

/** Opens the mailbox by what is typed, and changes nothing in it. Holds no transaction. Errors: Problem (403); (400) with what the server said. */
export async function tryReturns({ actor }: Pick<UseCaseContext, 'actor'>, typed: ReturnsMailbox): Promise<void> {
  need(actor, 'office');
  try {
    await readMailbox(await typedReturnsMailbox(database(), typed), () => Promise.resolve(false));
  } catch (error) {
    const { responseText, message } = error as { responseText?: string; message: string };
    throw new Problem(say({ code: 'returns.refused', numbers: { said: responseText ?? message } }));
  }
}
