import { LETTER_KINDS } from '@/core/letter/letter-kind';
import { LANGUAGES, say } from '@/core/words/say';
import { MailTextForm } from '@/features/office';
import { mailTextPage } from '@/features/office/server';
import { ReturnsPanel } from '@/features/setup';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { returnsFromEnvironment, shownReturnsMailbox } from '@/platform/returns-mailbox';
import { Link } from '@/ui/link';
import '@/core/words/en/customers';
import '@/core/words/en/mails-room';

export const metadata = { title: 'Texts of mails' };
export default page({ permission: 'office', name: '/office/mails' }, async ({ tx, actor, search }) => {
  const kind = LETTER_KINDS.find((one) => one === search.kind) ?? 'reminder';
  const language = LANGUAGES.find((one) => one === search.language) ?? 'en';
  const shown = await mailTextPage(tx, kind, language);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'mailsRoom.title' })}</h1>
        <span className="quiet">{say({ code: 'mailsRoom.what' })}</span>
      </div>
      <nav className="tabs mb-2" aria-label={say({ code: 'mailsRoom.language' })}>
        {LANGUAGES.map((one) => (
          <Link key={one} aria-current={one === language} href={`/office/mails?kind=${kind}&language=${one}`}>
            {say({ code: `customer.language.${one}` })}
          </Link>
        ))}
      </nav>
      <nav className="tabs" aria-label={say({ code: 'mailsRoom.kind' })}>
        {LETTER_KINDS.map((one) => (
          <Link key={one} aria-current={one === kind} href={`/office/mails?kind=${one}&language=${language}`}>
            {say({ code: `mailsRoom.kinds.${one}` })}
            {shown.written.includes(`${one}.${language}`) && (
              <span className="quiet small"> · {say({ code: 'mailsRoom.own' })}</span>
            )}
          </Link>
        ))}
      </nav>
      <fieldset disabled={!may(actor.role, 'office')}>
        <MailTextForm key={`${kind}.${language}`} page={shown} />
        <ReturnsPanel kept={await shownReturnsMailbox(tx)} environment={returnsFromEnvironment()} />
      </fieldset>
    </main>
  );
});
