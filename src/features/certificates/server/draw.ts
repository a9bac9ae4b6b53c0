import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { ucumCodes } from '@/core/quantity/unit';
import { canonicalJson } from '@/core/certificate/canonical';
import { drawDefinition } from '@/platform/pdf';
import { certificateBody1 } from './layout-1';
import { certificateBody2 } from './layout-2';
import { say } from '@/core/words/say';
import { PAPER } from './paper';
import '@/core/words/en/document';
import '@/core/words/de';

export interface Stamp {
  hash: string;
  token: string;
  signature: string;
  keyId: string;
  issuedAt: Date;
  origin: string;
  /** Thumbprints of the published keys. */
  keys?: string[];
  /** The workshop's sign, as an address that holds its bytes. */
  logo?: string | undefined;
}

/** The page as pdfmake wants it, from the content alone: the same content gives the same bytes. Exported for the bench that times drawing without the rest. */
export function certificateDefinition(content: CertificateContent, stamp: Stamp): TDocumentDefinitions {
  const language = isVersion2(content) ? content.language : 'en';
  const revision = content.revision
    ? `, ${say({ code: 'doc.revision', numbers: { revision: content.revision } }, language)}`
    : '';
  const verify = `${stamp.origin}/verify/${stamp.token}`;
  const [json, body] = isVersion2(content)
    ? [
        canonicalJson({ content, signature: stamp.signature }),
        certificateBody2(content, { hash: stamp.hash, verify, keys: stamp.keys ?? [stamp.keyId], logo: stamp.logo }),
      ]
    : [
        canonicalJson({
          content,
          hash: stamp.hash,
          signature: stamp.signature,
          keyId: stamp.keyId,
          units: ucumCodes(content.results.map((line) => line.unit)),
        }),
        certificateBody1(content, { hash: stamp.hash, verify }),
      ];
  const place = isVersion2(content) ? content.place : content.laboratory.place;
  return {
    version: '1.7',
    subset: 'PDF/A-3b',
    lang: language,
    pageSize: 'A4',
    pageMargins: [48, 48, 48, 56],
    info: {
      title: `${content.title} ${content.number}${revision}`,
      author: content.laboratory.name,
      creationDate: stamp.issuedAt,
      modDate: stamp.issuedAt,
    },
    files: {
      'certificate.json': {
        src: `data:application/json;base64,${Buffer.from(json).toString('base64')}`,
        name: 'certificate.json',
        type: 'application/json',
        relationship: 'Data',
        creationDate: stamp.issuedAt,
        modifiedDate: stamp.issuedAt,
      },
    },
    defaultStyle: { font: 'Sans', fontSize: 9, lineHeight: 1.08, color: PAPER.ink },
    header: (page: number): Content =>
      page === 1
        ? ''
        : {
            text: `${content.number}${revision}`,
            alignment: 'right',
            margin: [48, 28, 48, 0],
            fontSize: 8.5,
            color: PAPER.quiet,
          },
    footer: (page: number, pages: number): Content => ({
      margin: [48, 14, 48, 0],
      fontSize: 8,
      color: PAPER.quiet,
      columns: [
        { width: '*', text: `${content.laboratory.name} · ${place}` },
        {
          width: 'auto',
          text: say(
            { code: 'doc.page', numbers: { title: content.title, number: `${content.number}${revision}`, page, pages } },
            language,
          ),
        },
      ],
    }),
    // A heading never stands alone at the foot of a page.
    // So near the foot, a table after it would only leave its head here.
    pageBreakBefore: (
      node: { headlineLevel?: number; startPosition: { verticalRatio: number } },
      nodes: { getFollowingNodesOnPage: () => unknown[] },
    ) => node.headlineLevel === 1 && (nodes.getFollowingNodesOnPage().length < 8 || node.startPosition.verticalRatio > 0.9),
    content: body,
  } as TDocumentDefinitions;
}

/** Draws the PDF. */
export async function drawCertificate(content: CertificateContent, stamp: Stamp): Promise<Buffer> {
  return drawDefinition(certificateDefinition(content, stamp));
}
