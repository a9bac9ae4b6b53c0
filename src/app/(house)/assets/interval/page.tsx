import { say } from '@/core/words/say';
import { ManyForm } from '@/features/due';
import { intervalsOfMany } from '@/features/due/server';
import { page } from '@/platform/page';
import '@/core/words/en/assets';

export const metadata = { title: 'Interval of several instruments' };
export default page({ permission: 'bench', name: '/assets/interval' }, async ({ tx, chosen }) => {
  const instruments = await intervalsOfMany(tx, chosen);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'assets.intervalTitle' })}</h1>
      </div>
      {instruments.length === 0 ? (
        <p className="empty">{say({ code: 'assets.noneChosen' })}</p>
      ) : (
        <ManyForm instruments={instruments} />
      )}
    </main>
  );
});
