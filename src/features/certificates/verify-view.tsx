import type { JWK } from 'jose';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { FileCheck } from './file-check';
import type { Verification } from './server/find';
import '@/core/words/en/document-kinds';

const HEAD = {
  genuine: ['within', 'On record, and current'],
  replaced: ['cannotTell', 'Replaced'],
  withdrawn: ['outside', 'Withdrawn'],
  unknown: ['outside', 'Not known here'],
} as const;

/** The public page behind the code: which document it is, whether it is current; and whoever has the file can have it checked. */
export function VerifyView({
  result,
  workshop,
  keys,
}: {
  result: Verification;
  workshop: string;
  keys: (JWK & { kid: string })[];
}) {
  const [state, word] = HEAD[result.state];
  const kind = result.kind ? say({ code: `kind.${result.kind}` }) : '';
  return (
    <main className="page page-narrow">
      <p className="quiet mb-2">{workshop}</p>
      <div className="sheet">
        <h1>
          <VerdictMark state={state} word={word} />
        </h1>
        {result.state === 'unknown' ? (
          <p className="fs-5 mb-0">
            No document of this workshop has this code. Ask whoever gave you the paper; don’t rely on the instrument meanwhile.
          </p>
        ) : (
          <>
            <p className="fs-5 mb-1">
              <strong>{result.title}</strong> <span className="mono">{result.number}</span>
              {result.revision ? `, revision ${result.revision}` : ''} ({kind}), issued {day(result.issued ?? null)}.
            </p>
            {result.state === 'genuine' && <p className="mb-0">It is current: nothing has replaced or withdrawn it.</p>}
            {result.state === 'replaced' && (
              <p className="mb-0">It has been replaced by revision {result.newest?.revision}. Ask the owner for the newer one.</p>
            )}
            {result.state === 'withdrawn' && (
              <p className="mb-0">
                It was withdrawn by {result.withdrawnBy}. Don’t rely on it, nor on the instrument until it has been calibrated
                again.
              </p>
            )}
          </>
        )}
      </div>
      <FileCheck
        keys={keys}
        record={
          result.state !== 'unknown' && result.hash
            ? { number: result.number!, revision: result.revision ?? 0, hash: result.hash, pdfHash: result.pdfHash ?? null }
            : null
        }
      />
      <div className="sheet">
        <h2>Keys of this workshop</h2>
        <p className="small mb-1">
          Documents are signed with Ed25519 (RFC 8037). The thumbprints below stand on every document; the keys themselves are at{' '}
          <a href="/.well-known/jwks.json">/.well-known/jwks.json</a>.
        </p>
        <ul className="mono small mb-0">
          {keys.map((key) => (
            <li key={key.kid} className="text-break">
              {key.kid}
            </li>
          ))}
        </ul>
      </div>
    </main>
  );
}
