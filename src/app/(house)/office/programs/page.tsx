import { addYears, format, parseISO } from 'date-fns';
import { ProgramsPanel } from '@/features/programs';
import { listTokens } from '@/features/programs/server';
import { say } from '@/core/words/say';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/programs';

export const metadata = { title: 'Programs that read' };
export default page({ permission: 'office', name: '/office/programs' }, async ({ tx, actor, now }) => {
  const { zone } = await readSettings(tx);
  const today = dateIn(zone, now);
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'programs.title' })}</h1>
        <a className="end btn btn-plain" href="/api/v1/openapi.json">
          {say({ code: 'programs.described' })}
        </a>
      </div>
      <p className="quiet">{say({ code: 'programs.what' })}</p>
      <fieldset disabled={!may(actor.role, 'office')}>
        <ProgramsPanel
          tokens={await listTokens(tx)}
          today={today}
          until={format(addYears(parseISO(today), 1), 'yyyy-MM-dd')}
          zone={zone}
        />
      </fieldset>
    </main>
  );
});
