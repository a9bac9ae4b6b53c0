import { Link } from '@/ui/link';
import QRCode from 'qrcode';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { LABEL_OF, type Outcome } from '@/core/results/outcome';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { PrintButton } from '@/ui/print-button';
import '@/core/words/en/paper';

/** The label for the instrument: what the document allows, its number, and the code that opens the public page. 62 × 29 mm. Nothing is printed over what is undecided. */
export async function LabelView({
  content,
  check,
  outcome,
  assetId,
}: {
  content: CertificateContent;
  /** Where the code leads. */
  check: string;
  outcome: Outcome;
  assetId: string;
}) {
  const kind = LABEL_OF[outcome];
  const on = day(isVersion2(content) ? content.dates.calibrated.to : content.dates.calibrated);
  return (
    <>
      <div className="page-head no-print">
        <h1>{say({ code: `label.title.${kind}` })}</h1>
        <span className="mono">{content.number}</span>
        <div className="end">{kind !== 'none' && <PrintButton />}</div>
      </div>
      {kind === 'none' ? (
        <p className="notice">{say({ code: 'label.none' })}</p>
      ) : (
        <div className="label-card" data-testid="label">
          <Code check={check} />
          <div>
            <strong>
              {kind === 'tag' ? say({ code: `label.tag.${tagOf(outcome)}` }) : say({ code: `label.${kind}`, numbers: { on } })}
            </strong>
            <br />
            <span className="mono">
              {content.number}
              {content.revision > 0 && ` r${content.revision}`}
            </span>
            <br />
            {content.item.maker} {content.item.model}
            <br />
            <span className="mono">{content.item.serial}</span>
            <br />
            {kind === 'calibration' && content.due && <strong>Due {day(content.due.date)}</strong>}
            {kind === 'limited' && say({ code: 'label.limitedNote' })}
          </div>
        </div>
      )}
      {kind === 'tag' && (
        <p className="mt-3 no-print">
          <Link className="btn btn-plain" href={`/assets/${assetId}/tag`}>
            {say({ code: 'label.toTag' })}
          </Link>
        </p>
      )}
      <p className="quiet mt-3 no-print">{say({ code: 'label.code' })}</p>
    </>
  );
}

const tagOf = (outcome: Outcome) =>
  outcome === 'service' || outcome === 'outside' || outcome === 'returned' ? outcome : 'outOfService';

async function Code({ check }: { check: string }) {
  const code = await QRCode.toString(check, {
    type: 'svg',
    margin: 0,
    errorCorrectionLevel: 'M',
  });
  return (
    <div
      role="img"
      aria-label="Code of the certificate"
      dangerouslySetInnerHTML={{ __html: code }}
      style={{ width: '24mm', flex: 'none' }}
    />
  );
}
