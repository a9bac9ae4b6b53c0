import { StationView } from '@/features/station';
import { latestEntries } from '@/features/station/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Station log' };
export default page({ permission: 'signedIn', name: '/station' }, async ({ tx, actor }) => (
  <main className="page">
    <div className="page-head">
      <h1>Station log</h1>
      <span className="quiet">What a docking station did by its own schedule, taken in from its log.</span>
    </div>
    <StationView entries={await latestEntries(tx)} zone={(await readSettings(tx)).zone} may={may(actor.role, 'bench')} />
  </main>
));
