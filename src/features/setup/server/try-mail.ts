import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { tryMailServer } from '@/platform/mailer';
import { typedAddress, type MailServer } from '@/platform/mail-server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/setup';

/** Sends a mail by what is typed, before it is kept. Holds no transaction. Errors: Problem (400) with what the server said. */
export async function tryMail(
  { actor }: Pick<UseCaseContext, 'actor'>,
  { to, ...server }: MailServer & { to: string },
): Promise<void> {
  need(actor, 'office');
  const { name, mailFrom } = await readSettings(database());
  const said = await tryMailServer(await typedAddress(database(), server), {
    from: mailFrom,
    to,
    subject: say({ code: 'mailServer.subject', numbers: { workshop: name } }),
    text: say({ code: 'mailServer.text', numbers: { workshop: name } }),
  });
  if (said !== null) throw new Problem(say({ code: 'mailServer.refused', numbers: { said } }));
}
