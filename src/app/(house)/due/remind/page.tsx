import { say } from '@/core/words/say';
import { ChosenTable, RemindButton } from '@/features/due';
import { intervalsOfMany } from '@/features/due/server';
import { page } from '@/platform/page';
import '@/core/words/en/assets';
import '@/core/words/en/due';

export const metadata = { title: 'Reminders of several instruments' };
export default page({ permission: 'receive', name: '/due/remind' }, async ({ tx, chosen }) => {
  const instruments = await intervalsOfMany(tx, chosen);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'remind.several' })}</h1>
        <span className="end">{instruments.length > 0 && <RemindButton assetIds={instruments.map((one) => one.id)} />}</span>
      </div>
      {instruments.length === 0 ? (
        <p className="empty">{say({ code: 'assets.noneChosen' })}</p>
      ) : (
        <>
          <p className="quiet">{say({ code: 'remind.how' })}</p>
          <ChosenTable instruments={instruments} />
        </>
      )}
    </main>
  );
});
