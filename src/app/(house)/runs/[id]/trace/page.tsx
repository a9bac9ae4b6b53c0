import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { TracedValues } from '@/features/recall';
import { traceBack } from '@/features/recall/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { Link } from '@/ui/link';
import { PrintButton } from '@/ui/print-button';
import '@/core/words/en/recall';

export const metadata = { title: 'What each value rests on' };
export default page({ permission: 'signedIn', name: '/runs/[id]/trace' }, async ({ tx, params }) => {
  const traced = await traceBack(tx, params.id!);
  if (!traced) notFound();
  const { about, document, procedure } = traced;
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'trace.back' })}</h1>
        <span className="end no-print">
          <PrintButton />
        </span>
      </div>
      <p className="mb-1">
        <Link href={`/assets/${about.assetId}`}>
          {about.maker} {about.model} <span className="mono">{about.serial}</span>
        </Link>
        , {about.customer} · <Link href={`/runs/${params.id}`}>{procedure.title}</Link>{' '}
        <Link className="mono" href={`/trace?what=procedure&of=${encodeURIComponent(`${procedure.id}/${procedure.version}`)}`}>
          {procedure.id}/{procedure.version}
        </Link>
        {document && (
          <>
            {' '}
            ·{' '}
            <Link className="mono" href={`/certificates/${document.id}`}>
              {document.number}
              {document.revision > 0 && `-${document.revision}`}
            </Link>
          </>
        )}
      </p>
      <p className="quiet no-print">{say({ code: 'trace.backHow' })}</p>
      <TracedValues traced={traced} zone={(await readSettings(tx)).zone} />
    </main>
  );
});
