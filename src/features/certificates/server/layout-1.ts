import { inSentence } from '@/core/words/in-sentence';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { CertificateReading, CertificateResult, CertificateVersion1 } from '@/core/certificate/version-1';
import { day, facts, heading, list, PAPER, RULES } from './paper';
import type { VerdictState } from '@/core/record/judgement';

const MARK: Record<VerdictState, string> = {
  within: 'within',
  outside: 'OUTSIDE',
  cannotTell: 'cannot tell',
  notMeasured: 'not measured',
};

/** Version 1 keeps the look it was issued with. The body in the order of ISO/IEC 17025:2017, 7.8.2.1: who, what, how, under which conditions, with which references, what came of it. */
export function certificateBody1(content: CertificateVersion1, code: { hash: string; verify: string }): Content[] {
  const { laboratory, customer, item, dates, method } = content;
  return [
    {
      columns: [
        {
          width: '*',
          stack: [
            { text: laboratory.name, bold: true, fontSize: 13, color: PAPER.green },
            laboratory.address,
            { text: `Place of calibration: ${laboratory.place}`, color: PAPER.quiet },
          ],
        },
        {
          width: 'auto',
          stack: [
            { text: content.title, bold: true, fontSize: 15, alignment: 'right' },
            {
              text: `${content.number}${content.revision ? `  revision ${content.revision}` : ''}`,
              font: 'Mono',
              fontSize: 12,
              alignment: 'right',
            },
          ],
        },
      ],
    },
    ...(content.replaces
      ? [
          {
            text: `Replaces ${content.replaces.number}${content.replaces.revision ? ` revision ${content.replaces.revision}` : ''}. Reason: ${content.replaces.reason}`,
            bold: true,
            margin: [0, 8, 0, 0],
          } as Content,
        ]
      : []),
    heading('Customer and item'),
    facts([
      ['Customer', [customer.name, customer.address].filter(Boolean).join(', ')],
      ['Contact', customer.contact],
      ['Item calibrated', `${item.maker} ${item.model}, serial number ${item.serial}`],
      ['Customer’s tag', item.tag],
      ['Condition', item.condition.join('; ')],
      ['Dates', `received ${day(dates.received)}, calibrated ${day(dates.calibrated)}, issued ${day(dates.issued)}`],
      ...(content.due
        ? [
            ['Next calibration due', `${day(content.due.date)} (agreed with the customer; ${content.due.reason})`] as [
              string,
              string,
            ],
          ]
        : []),
    ]),
    heading('Method and conditions'),
    facts([
      ['Method', method.text],
      ['Procedure', `${method.procedure}, version ${method.version}`],
      ['Conditions', content.environment.join('; ') || 'not recorded'],
      ['Deviations from the method', content.deviations.join(' ') || 'None.'],
    ]),
    heading('References and traceability'),
    ...content.references.map((reference): Content =>
      facts([
        [
          reference.name,
          `lot ${reference.lot}${reference.certificate ? `, certificate ${reference.certificate}` : ''}${reference.expires ? `, good until ${day(reference.expires)}` : ''}`,
        ],
        ['', reference.components.join('; ')],
        ['Traceability', reference.traceability],
      ]),
    ),
    heading('Channels'),
    channels(content),
    heading('Results'),
    results(content.results),
    { text: content.uncertainty, fontSize: 8.5, color: PAPER.quiet, margin: [0, 4, 0, 0] },
    ...(content.probes?.length
      ? [heading('Probes'), facts(content.probes.map(({ label, lines }) => [label, lines.join('; ')] as [string, string]))]
      : []),
    heading('Adjustments'),
    list(content.adjustments),
    heading('Statement of conformity'),
    list([...content.conformity.sentences, `Decision rule: ${content.conformity.ruleText}`]),
    heading('Further statements'),
    list([
      ...content.suppliedByCustomer.map((line) => `Supplied by the customer: ${line}`),
      `Results of others: ${content.resultsOfOthers}`,
      ...content.remarks,
      ...content.notices,
    ]),
    {
      unbreakable: true,
      margin: [0, 16, 0, 0],
      columns: [
        {
          width: '*',
          stack: [
            { text: [{ text: 'Calibrated by  ', color: PAPER.quiet }, content.technician] },
            {
              text: [
                { text: 'Authorised by  ', color: PAPER.quiet },
                { text: content.authorisation.name, bold: true },
                `, ${day(dates.issued)}`,
              ],
            },
            {
              text: `Content hash (SHA-256) ${code.hash}`,
              font: 'Mono',
              fontSize: 6.5,
              color: PAPER.quiet,
              margin: [0, 8, 0, 0],
            },
            { text: `Check this document: ${code.verify}`, fontSize: 8, color: PAPER.quiet },
          ],
        },
        { width: 'auto', qr: code.verify, fit: 78, eccLevel: 'M' },
      ],
    },
    { text: '— End of document —', alignment: 'center', color: PAPER.quiet, margin: [0, 12, 0, 0] },
  ];
}

function channels({ item }: CertificateVersion1): Content {
  const head = ['Channel', 'Range', 'Step', 'Tolerance', 'Sensor'].map((text): TableCell => ({ text, color: PAPER.quiet }));
  const rows = item.channels.map((channel): TableCell[] => [
    `${channel.label}, ${channel.measurand}`,
    channel.range,
    channel.resolution,
    [channel.tolerance, channel.scale].filter(Boolean).join('\n'),
    channel.status === 'fitted' ? channel.sensorSerial || '—' : channel.status === 'removed' ? 'not fitted' : 'not calibrated',
  ]);
  return {
    table: { headerRows: 1, widths: ['auto', 'auto', 'auto', '*', 'auto'], body: [head, ...rows] },
    layout: RULES,
    fontSize: 8.5,
  };
}

function results(lines: CertificateResult[]): Content {
  const head = [
    'Channel',
    'Reference',
    'As found',
    'Deviation',
    'Verdict',
    'As left',
    'Deviation',
    'Verdict',
    'Tolerance ±',
    'U (k)',
  ].map((text): TableCell => ({ text, color: PAPER.quiet }));
  const cells = (reading: CertificateReading | null): TableCell[] =>
    reading
      ? [
          { text: reading.text, font: 'Mono' },
          { text: reading.error ?? '—', font: 'Mono' },
          { text: reading.remark ? 'not judged' : MARK[reading.state], bold: reading.state === 'outside' },
        ]
      : ['—', '—', 'not measured'];
  const rows = lines.flatMap((line): TableCell[][] => {
    const name = { text: `${line.label}, ${inSentence(line.point)}, ${line.unit}` };
    if (!line.target) return [[name, { text: line.note ?? 'Not measured.', colSpan: 9 }, ...Array<TableCell>(8).fill('')]];
    const row: TableCell[] = [
      name,
      { text: line.target, font: 'Mono' },
      ...cells(line.asFound),
      ...cells(line.asLeft),
      { text: line.tolerance ?? '—', font: 'Mono' },
      line.expanded ? { text: `${line.expanded} (${line.k})`, font: 'Mono' } : '—',
    ];
    return line.note
      ? [row, [{ text: line.note, colSpan: 10, color: PAPER.quiet, fontSize: 8 }, ...Array<TableCell>(9).fill('')]]
      : [row];
  });
  return {
    table: {
      headerRows: 1,
      keepWithHeaderRows: 1,
      dontBreakRows: true,
      widths: ['*', ...Array<string>(9).fill('auto')],
      body: [head, ...rows],
    },
    layout: RULES,
    fontSize: 8,
  };
}
