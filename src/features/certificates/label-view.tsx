import QRCode from 'qrcode';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { day } from '@/ui/format';
import { PrintButton } from '@/ui/print-button';

/** The label for the instrument: number, date, due where agreed, and the code that opens the public page. 62 × 29 mm. */
export async function LabelView({
  content,
  token,
  outOfService,
}: {
  content: CertificateContent;
  token: string;
  outOfService: boolean;
}) {
  const code = await QRCode.toString(`${process.env.WERKBANK_ORIGIN ?? ''}/verify/${token}`, {
    type: 'svg',
    margin: 0,
    errorCorrectionLevel: 'M',
  });
  return (
    <>
      <div className="page-head no-print">
        <h1>Label</h1>
        <span className="mono">{content.number}</span>
        <div className="end">
          <PrintButton />
        </div>
      </div>
      <div className="label-card">
        <div
          role="img"
          aria-label="Code of the certificate"
          dangerouslySetInnerHTML={{ __html: code }}
          style={{ width: '24mm', flex: 'none' }}
        />
        <div>
          {outOfService ? (
            <strong>OUT OF SERVICE</strong>
          ) : (
            <strong>Calibrated {day(isVersion2(content) ? content.dates.calibrated.to : content.dates.calibrated)}</strong>
          )}
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
          {content.due && !outOfService && <strong>Due {day(content.due.date)}</strong>}
        </div>
      </div>
      <p className="quiet mt-3 no-print">
        The code opens a page that says whether this certificate is genuine and current. It shows nothing private.
      </p>
    </>
  );
}
