import { SettingsForm } from '@/features/office';
import { listUsers } from '@/features/office/server';
import { MailServerPanel } from '@/features/setup';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { shownMailServer } from '@/platform/mail-server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/did';
import '@/core/words/en/house';
import '@/core/words/en/jobs';
import '@/core/words/en/mails-room';
import '@/core/words/en/office-papers';
import '@/core/words/en/programs';

export const metadata = { title: 'Office' };
export default page({ permission: 'office', name: '/office' }, async ({ tx, actor }) => {
  const [settings, users] = [await readSettings(tx), await listUsers(tx)];
  const reads = !may(actor.role, 'office');
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>Office</h1>
        <nav className="end d-flex flex-wrap gap-2">
          <Link className="btn btn-plain" href="/office/people">
            {say({ code: 'people.title' })}
          </Link>
          <Link className="btn btn-plain" href="/office/methods">
            {say({ code: 'methods.title' })}
          </Link>
          <Link className="btn btn-plain" href="/office/audit">
            {say({ code: 'audit.link' })}
          </Link>
          <Link className="btn btn-plain" href="/office/papers">
            {say({ code: 'papersRoom.title' })}
          </Link>
          <Link className="btn btn-plain" href="/office/mails">
            {say({ code: 'mailsRoom.title' })}
          </Link>
          <Link className="btn btn-plain" href="/office/prices">
            Prices
          </Link>
          <Link className="btn btn-plain" href="/office/programs">
            {say({ code: 'programs.title' })}
          </Link>
          <Link className="btn btn-plain" href="/office/jobs">
            {say({ code: 'jobs.title' })}
          </Link>
          <Link className="btn btn-plain" href="/office/house">
            {say({ code: 'house.link' })}
          </Link>
        </nav>
      </div>
      {reads && <p className="notice">{say({ code: 'audit.reads' })}</p>}
      <fieldset disabled={reads}>
        <SettingsForm settings={settings} />
        <MailServerPanel kept={await shownMailServer(tx)} mine={users.find((one) => one.id === actor.id)?.email ?? ''} />
      </fieldset>
    </main>
  );
});
