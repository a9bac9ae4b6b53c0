import { DoorFrame, SignInForm } from '@/features/account';
import { redirect } from 'next/navigation';
import { passkeyHost } from '@/features/account/server';
import { isEmptyHouse } from '@/features/setup/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Sign in' };
export default page({ permission: 'public', name: '/sign-in' }, async ({ tx, search }) => {
  if (await isEmptyHouse(tx)) redirect('/set-up');
  // Only to a place in this house, never to an address from elsewhere.
  const next = /^\/(?![/\\])[\w\-/~?=&%.]*$/.test(search.next ?? '') ? search.next! : '/';
  return (
    <DoorFrame workshop={(await readSettings(tx)).name}>
      <SignInForm next={next} passkeys={passkeyHost(process.env.WERKBANK_ORIGIN) !== null} />
    </DoorFrame>
  );
});
