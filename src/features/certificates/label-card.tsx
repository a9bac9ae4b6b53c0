import QRCode from 'qrcode';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { LABEL_OF, type Outcome } from '@/core/results/outcome';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import '@/core/words/en/paper';

export interface LabelOf {
  content: CertificateContent;
  /** Where the code leads. */
  check: string;
  outcome: Outcome;
  assetId: string;
}

/** One label: what the document allows, its number, and the code that opens the public page. */
export function LabelCard({ content, check, outcome }: LabelOf) {
  const kind = LABEL_OF[outcome];
  const on = day(isVersion2(content) ? content.dates.calibrated.to : content.dates.calibrated);
  return (
    <div className="label-card" data-testid="label">
      <Code check={check} />
      <div>
        <strong>
          {kind === 'tag'
            ? say({ code: `label.tag.${tagOf(outcome)}` })
            : say({ code: `label.${kind === 'none' ? 'limited' : kind}`, numbers: { on } })}
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
  );
}

const tagOf = (outcome: Outcome) =>
  outcome === 'service' || outcome === 'outside' || outcome === 'returned' ? outcome : 'outOfService';

async function Code({ check }: { check: string }) {
  const code = await QRCode.toString(check, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
  return (
    <div className="label-code" role="img" aria-label="Code of the certificate" dangerouslySetInnerHTML={{ __html: code }} />
  );
}
