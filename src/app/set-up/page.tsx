import { redirect } from 'next/navigation';
import { SetUpForm } from '@/features/setup';
import { isEmptyHouse, shippedFamilies } from '@/features/setup/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import '@/core/words/en/setup';

export const metadata = { title: 'A new workshop', referrer: 'no-referrer' as const };
export default page({ permission: 'public', name: '/set-up' }, async ({ tx, search }) => {
  if (!(await isEmptyHouse(tx))) redirect('/sign-in');
  return (
    <main className="page page-narrow py-3">
      <div className="page-head">
        <h1>{say({ code: 'setup.title' })}</h1>
      </div>
      <p className="quiet">{say({ code: 'setup.intro' })}</p>
      {!search.key && <p className="notice">{say({ code: 'setup.noKey' })}</p>}
      <SetUpForm given={search.key ?? ''} families={shippedFamilies()} />
    </main>
  );
});
