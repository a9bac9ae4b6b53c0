import { UserPanel } from '@/features/office';
import { listUsers } from '@/features/office/server';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import '@/core/words/en/did';
import '@/core/words/en/house';

export const metadata = { title: 'People' };
export default page({ permission: 'office', name: '/office/people' }, async ({ tx, actor }) => {
  const reads = !may(actor.role, 'office');
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'people.title' })}</h1>
        <Link className="end btn btn-plain" href="/office">
          {say({ code: 'house.office' })}
        </Link>
      </div>
      {reads && <p className="notice">{say({ code: 'audit.reads' })}</p>}
      <fieldset disabled={reads}>
        <UserPanel users={await listUsers(tx)} me={actor.id} />
      </fieldset>
    </main>
  );
});
