import { readFileSync } from 'node:fs';
import { P12Signer } from '@signpdf/signer-p12';
import { plainAddPlaceholder } from '@signpdf/placeholder-plain';
import signpdf from '@signpdf/signpdf';

/** Room for the signature and the chain of a usual certificate, in bytes. */
const ROOM = 16_384;

/**
 * Signs a PDF with the workshop's own X.509 certificate, where it installed one: WERKBANK_PDF_P12 names its PKCS #12 file, WERKBANK_PDF_P12_PASSWORD opens it.
 * Without one the PDF goes out as it was drawn. What was drawn stays byte for byte; the signature is added behind it (ISO 32000-1:2008, 7.5.6 and 12.8).
 * Errors: whatever is wrong with the file, by name: a paper that should be signed never goes out unsigned.
 */
export async function signPdf(
  drawn: Buffer,
  { name, place, at }: { name: string; place: string; at: Date },
  { file = process.env.WERKBANK_PDF_P12, password = process.env.WERKBANK_PDF_P12_PASSWORD ?? '' } = {},
): Promise<Buffer> {
  if (!file) return drawn;
  const pdfBuffer = plainAddPlaceholder({
    pdfBuffer: drawn,
    reason: 'Issued',
    contactInfo: '',
    name,
    location: place,
    signingTime: at,
    signatureLength: ROOM,
  });
  return signpdf.sign(pdfBuffer, new P12Signer(readFileSync(file), { passphrase: password }), at);
}
