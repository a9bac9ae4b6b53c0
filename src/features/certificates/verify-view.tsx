import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import type { Verification } from './server/find';

/** The public page behind the code: genuine, replaced or unknown. */
export function VerifyView({ result, workshop }: { result: Verification; workshop: string }) {
  return (
    <main className="page page-narrow">
      <p className="quiet mb-2">{workshop}</p>
      <div className="sheet">
        {result.state === 'genuine' && (
          <>
            <h1>
              <VerdictMark state="within" word="Genuine" />
            </h1>
            <p className="fs-5">
              Certificate <span className="mono">{result.number}</span>
              {result.revision ? `, revision ${result.revision},` : ''} was issued by this workshop on{' '}
              {day(result.issued ?? null)} and is current.
            </p>
          </>
        )}
        {result.state === 'replaced' && (
          <>
            <h1>
              <VerdictMark state="cannotTell" word="Replaced" />
            </h1>
            <p className="fs-5">
              Certificate <span className="mono">{result.number}</span>
              {result.revision ? `, revision ${result.revision},` : ''} was issued by this workshop on{' '}
              {day(result.issued ?? null)} and has been replaced by revision {result.newest?.revision}. Ask the owner for the
              newer one.
            </p>
          </>
        )}
        {result.state === 'unknown' && (
          <>
            <h1>
              <VerdictMark state="notMeasured" word="Unknown" />
            </h1>
            <p className="fs-5">
              This code belongs to no certificate of this workshop. Do not rely on the document or label that carries it.
            </p>
          </>
        )}
        <p className="quiet mb-0">
          This page says only whether a document is ours. Whose instrument it is and what was measured stands on the certificate.
        </p>
      </div>
    </main>
  );
}
