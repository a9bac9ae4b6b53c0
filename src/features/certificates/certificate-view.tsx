import { Link } from '@/ui/link';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { say } from '@/core/words/say';
import { CertificateView1 } from './certificate-view-1';
import { CertificateView2 } from './certificate-view-2';
import { ChangeForms } from './change-forms';
import '@/core/words/en/certificates-room';
import '@/core/words/en/letters';
import '@/core/words/en/sign';

interface Props {
  id: string;
  token: string;
  content: CertificateContent;
  hash: string;
  replacedBy: { id: string; revision: number } | null;
  withdrawnBy: { id: string; number: string } | null;
  reopened: boolean;
  mayRevise: boolean;
  /** Mails by which it went out. */
  mails: { id: string; recipient: string; state: string; at: string }[];
  /** The signature as an act; null for documents from before it was asked. */
  signed: { by: string; at: string; meaning: string } | null;
}

/** A document on the screen: what the PDF says, the way to it, and what can be done about it. */
export function CertificateView({
  id,
  token,
  content,
  hash,
  replacedBy,
  withdrawnBy,
  reopened,
  mayRevise,
  mails,
  signed,
}: Props) {
  const withdrawal = isVersion2(content) && content.kind === 'withdrawal';
  return (
    <>
      <div className="page-head">
        <h1>{content.title}</h1>
        <span className="mono fs-4">
          {content.number}
          {content.revision > 0 && ` rev ${content.revision}`}
        </span>
        <span className="end">
          {!withdrawal && (
            <Link className="btn btn-plain" href={`/certificates/${id}/label`}>
              Label
            </Link>
          )}
          <Link className="btn btn-plain" href={`/verify/${token}`}>
            {say({ code: 'certificate.checkPage' })}
          </Link>
          <a className="btn btn-plain" href={`/certificates/${id}/json`} download>
            Data
          </a>
          <a className="btn btn-primary" href={`/certificates/${id}/pdf`} target="_blank">
            Open the PDF
          </a>
        </span>
      </div>
      {mails.map((one) => (
        <p key={one.id} className="small quiet mb-2" data-testid="mailed">
          {say({ code: 'letter.mailed' })} {one.at}, {one.recipient}:{' '}
          {say({ code: 'letter.state', numbers: { state: one.state } })}
        </p>
      ))}
      {withdrawnBy && (
        <p className="notice bad">
          Withdrawn by <Link href={`/certificates/${withdrawnBy.id}`}>{withdrawnBy.number}</Link>. This one stays on record as it
          was.
        </p>
      )}
      {replacedBy && (
        <p className="notice bad">
          Replaced by <Link href={`/certificates/${replacedBy.id}`}>revision {replacedBy.revision}</Link>. This one stays on
          record as it was.
        </p>
      )}
      {reopened && !replacedBy && (
        <p className="notice">
          Its run is open again to mend something: approving it issues the revision.{' '}
          <Link href={`/runs/${content.run.id}`}>Go to the run</Link>
        </p>
      )}
      {content.replaces && (
        <p className="notice">
          Replaces {content.replaces.number}
          {content.replaces.revision > 0 && ` revision ${content.replaces.revision}`}: {content.replaces.reason}
          {'changed' in content.replaces && (
            <span className="d-block small">Changed: {content.replaces.changed.join('; ')}.</span>
          )}
        </p>
      )}
      {isVersion2(content) ? (
        <CertificateView2 content={content} hash={hash} />
      ) : (
        <CertificateView1 content={content} hash={hash} />
      )}
      {signed && <p className="quiet mt-3 mb-0">{say({ code: 'sign.how', numbers: signed })}</p>}
      {mayRevise && !replacedBy && !withdrawnBy && !withdrawal && !reopened && (
        <ChangeForms certificateId={id} first={!isVersion2(content)} />
      )}
    </>
  );
}
