import QRCode from 'qrcode';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { LABEL_OF, type Outcome } from '@/core/results/outcome';
import { dayInLanguage } from '@/core/words/day-in-language';
import { say } from '@/core/words/say';
import '@/core/words/en/labels';
import '@/core/words/de/labels';

export interface LabelOf {
  content: CertificateContent;
  /** Where the code leads. */
  check: string;
  outcome: Outcome;
  assetId: string;
}

/** One label, in the language of its document: what the document allows, its number, and the code that opens the public page. */
export function LabelCard({ content, check, outcome }: LabelOf) {
  const kind = LABEL_OF[outcome];
  const language = isVersion2(content) ? (content.language ?? 'en') : 'en';
  const on = dayInLanguage(isVersion2(content) ? content.dates.calibrated.to : content.dates.calibrated, language);
  return (
    <div className="label-card" data-testid="label" lang={language}>
      <Code check={check} />
      <div>
        <strong>
          {kind === 'tag'
            ? say({ code: `onLabel.tag.${tagOf(outcome)}` }, language)
            : say({ code: `onLabel.${kind === 'none' ? 'limited' : kind}`, numbers: { on } }, language)}
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
        {kind === 'calibration' && content.due && (
          <strong>{say({ code: 'onLabel.due', numbers: { on: dayInLanguage(content.due.date, language) } }, language)}</strong>
        )}
        {kind === 'limited' && say({ code: 'onLabel.limitedNote' }, language)}
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
