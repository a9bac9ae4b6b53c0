import { ReadyProbes } from '@/features/probes';
import { hosts, probesOnShelf } from '@/features/probes/server';
import { dateIn } from '@/platform/clock';
import { may } from '@/platform/permission';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Ready probes' };
export default page({ permission: 'signedIn', name: '/probes' }, async ({ tx, now, actor }) => (
  <main className="page">
    <div className="page-head">
      <h1>Ready probes</h1>
      <span className="quiet">Digital probes keep their own calibration: calibrated here, exchanged in the field.</span>
    </div>
    <ReadyProbes
      probes={await probesOnShelf(tx)}
      hosts={await hosts(tx)}
      today={dateIn((await readSettings(tx)).zone, now)}
      may={may(actor.role, 'bench')}
    />
  </main>
));
