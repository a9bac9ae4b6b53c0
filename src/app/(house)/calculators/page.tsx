import { CalculatorsRoom } from '@/features/calculators';
import { page } from '@/platform/page';

export const metadata = { title: 'Calculators' };
export default page({ permission: 'signedIn', name: '/calculators' }, async ({ search }) => (
  <main className="page">
    <div className="page-head">
      <h1>Calculators</h1>
      <span className="quiet">The same arithmetic as on the bench and the certificate. They compute; they license nobody.</span>
    </div>
    <CalculatorsRoom query={search} />
  </main>
));
