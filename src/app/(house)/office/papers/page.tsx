import { say } from '@/core/words/say';
import { LogoPanel, NumberPatternsForm } from '@/features/office';
import { LOGO_MOST_KB } from '@/features/office/server';
import { dateIn } from '@/platform/clock';
import { readLogo } from '@/platform/logo';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/office-papers';

export const metadata = { title: 'Papers and numbers' };
export default page({ permission: 'office', name: '/office/papers' }, async ({ tx, actor, now }) => {
  const [{ numbers, zone }, logo] = [await readSettings(tx), await readLogo(tx)];
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'papersRoom.title' })}</h1>
        <span className="quiet">{say({ code: 'papersRoom.what' })}</span>
      </div>
      <fieldset disabled={!may(actor.role, 'office')}>
        <LogoPanel hash={logo?.hash ?? null} most={LOGO_MOST_KB} />
        <NumberPatternsForm numbers={numbers} year={Number(dateIn(zone, now).slice(0, 4))} />
      </fieldset>
    </main>
  );
});
