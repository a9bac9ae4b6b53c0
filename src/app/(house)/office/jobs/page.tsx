import { JobsView } from '@/features/office';
import { houseFindings, jobsDone, jobsNow } from '@/features/office/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/jobs';

export const metadata = { title: 'Jobs' };
export default page({ permission: 'office', name: '/office/jobs' }, async ({ tx, search }) => {
  const { zone, remindByItself, remindHour } = await readSettings(tx);
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'jobs.title' })}</h1>
      </div>
      <JobsView
        queue={await jobsNow(tx)}
        done={await jobsDone(tx, search.before)}
        newest={Object.fromEntries((await houseFindings(tx)).map((row) => [row.kind, row]))}
        reminders={{ byItself: remindByItself, hour: remindHour }}
        zone={zone}
      />
    </main>
  );
});
