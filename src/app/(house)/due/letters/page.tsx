import { say } from '@/core/words/say';
import { PrintedButton } from '@/features/due';
import { lettersToPrint } from '@/features/due/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { day } from '@/ui/format';
import { Addressee, LetterHead } from '@/ui/letter-head';
import { PrintButton } from '@/ui/print-button';
import '@/core/words/en/due';

export const metadata = { title: 'Letters to print' };
export default page({ permission: 'receive', name: '/due/letters' }, async ({ tx, actor }) => {
  const letters = await lettersToPrint(tx);
  const { name, address, contact, logo, zone } = await readSettings(tx);
  return (
    <main className="page page-narrow">
      <div className="page-head no-print">
        <h1>{say({ code: 'letters.title' })}</h1>
        {letters.length > 0 && (
          <span className="end">
            <PrintButton />
            {may(actor.role, 'receive') && <PrintedButton mailIds={letters.map((one) => one.id)} />}
          </span>
        )}
      </div>
      <p className="quiet no-print">{say({ code: letters.length > 0 ? 'letters.how' : 'letters.none' })}</p>
      {letters.map((letter) => (
        <section key={letter.id} className="one-a-page sheet mb-3" data-testid="letter">
          <div className="d-flex justify-content-between gap-4 mb-4">
            <Addressee customer={letter.customer} />
            <div className="small text-end">
              <LetterHead workshop={{ name, address, contact, logo }} />
            </div>
          </div>
          <p className="text-end">{day(dateIn(zone, letter.at))}</p>
          <p className="fw-semibold">{letter.subject}</p>
          <p style={{ whiteSpace: 'pre-wrap' }}>{letter.body}</p>
        </section>
      ))}
    </main>
  );
});
