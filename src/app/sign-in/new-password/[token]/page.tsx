import { DoorFrame, LinkPasswordForm } from '@/features/account';
import { personOfLink } from '@/features/account/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { Link } from '@/ui/link';
import '@/core/words/en/account';
import '@/core/words/en/door';

export const metadata = { title: 'A new password', referrer: 'no-referrer' as const };
export default page({ permission: 'public', name: '/sign-in/new-password/[token]' }, async ({ tx, now, params }) => {
  const token = params.token!;
  const person = await personOfLink(tx, { token, now });
  return (
    <DoorFrame workshop={(await readSettings(tx)).name}>
      {person ? (
        <LinkPasswordForm token={token} name={person.name} email={person.email} />
      ) : (
        <div style={{ width: 'min(24rem, 100%)' }}>
          <h1 className="mb-3">{say({ code: 'forgotten.title' })}</h1>
          <p role="alert">{say({ code: 'forgotten.gone' })}</p>
          <Link href="/sign-in/forgotten">{say({ code: 'door.forgotten' })}</Link>
        </div>
      )}
    </DoorFrame>
  );
});
