import { DevicesView } from '@/features/lines';
import { allLines } from '@/features/lines/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';

export const metadata = { title: 'Devices' };
export default page({ permission: 'signedIn', name: '/devices' }, async ({ tx, actor }) => (
  <main className="page">
    <div className="page-head">
      <h1>Devices on a line</h1>
      <span className="quiet">
        The gateway or a screen’s own serial port keeps them connected; what they say goes to the run sheet of the instrument with
        that serial.
      </span>
    </div>
    <DevicesView lines={await allLines(tx)} may={may(actor.role, 'bench')} mayAdd={may(actor.role, 'office')} />
  </main>
));
