import { inSentence } from '@/core/words/in-sentence';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { CertificateVersion2, JudgedText, MeasuredText, ReferenceText, ResultText } from '@/core/certificate/version-2';
import { say } from '@/core/words/say';
import { annexes } from './layout-annexes';
import { day, facts, heading, list, minus, PAPER, RULES } from './paper';
import '@/core/words/en/certificate';

const VERDICT: Record<JudgedText['verdict'], string> = {
  within: 'within',
  outside: 'OUTSIDE',
  cannotTell: 'cannot tell',
  notJudged: 'not judged',
};
const quiet = (text: string): TableCell => ({ text, color: PAPER.quiet });
const mono = (text: string): TableCell => ({ text: minus(text), font: 'Mono' });

/** The body in the order of ISO/IEC 17025:2017, 7.8.2.1: who, what, how, under which conditions, with which references, what came of it. */
export function certificateBody2(
  content: CertificateVersion2,
  code: { hash: string; verify: string; keys: string[]; logo?: string | undefined },
): Content[] {
  const { customer, item, dates, method } = content;
  const withdrawn = content.withdraws;
  return [
    head(content, code.logo),
    ...notices(content),
    heading('Customer and item'),
    facts([
      ['Customer', [customer.name, customer.address].filter(Boolean).join(', ')],
      ['Contact', customer.contact],
      ['Item', `${item.maker} ${item.model}, serial number ${item.serial}`],
      ['Customer’s tag', item.tag],
      ['Condition', item.condition.join('; ')],
      [
        'Dates',
        `received ${day(dates.received)}, ${content.kind === 'notCalibrated' ? 'looked at' : 'calibrated'} ${span(dates.calibrated)}, issued ${day(dates.issued)}`,
      ],
      ['Next calibration due', content.due ? `${day(content.due.date)} (agreed with the customer; ${content.due.reason})` : ''],
    ]),
    ...(withdrawn
      ? []
      : [
          heading('Method and conditions'),
          facts([
            ['Method', method.text],
            ['Procedure', `${method.procedure}, document ${method.document}`],
            ['Conditions', conditions(content)],
            ['Deviations from the method', content.deviations.join(' ') || 'None.'],
          ]),
          heading('References and traceability'),
          ...content.references.map(reference),
          heading('Channels'),
          channels(content),
          ...(content.results.length ? [heading('Results'), results(content.results)] : []),
          { text: content.uncertainty, fontSize: 8.5, color: PAPER.quiet, margin: [0, 4, 0, 0] } as Content,
          ...more(content),
        ]),
    signed(content, code),
    ...annexes(content),
    { text: '— End of document —', alignment: 'center', color: PAPER.quiet, margin: [0, 12, 0, 0] },
  ];
}

const span = ({ from, to }: { from: string; to: string }) => (from === to ? day(from) : `${day(from)} to ${day(to)}`);

function head({ laboratory, title, number, revision, place }: CertificateVersion2, logo?: string): Content {
  return {
    columns: [
      {
        width: '*',
        stack: [
          ...(logo ? [{ image: logo, fit: [140, 48], margin: [0, 0, 0, 6] } as Content] : []),
          { text: laboratory.name, bold: true, fontSize: 13, color: PAPER.green },
          laboratory.address,
          { text: laboratory.contact, color: PAPER.quiet },
          { text: `Done at: ${place}`, color: PAPER.quiet },
        ],
      },
      {
        width: 'auto',
        stack: [
          { text: title, bold: true, fontSize: 15, alignment: 'right' },
          { text: `${number}${revision ? `  revision ${revision}` : ''}`, font: 'Mono', fontSize: 12, alignment: 'right' },
        ],
      },
    ],
  };
}

function notices({ replaces, withdraws }: CertificateVersion2): Content[] {
  const bold = (text: string): Content => ({ text, bold: true, margin: [0, 8, 0, 0] });
  return [
    ...(replaces
      ? [
          bold(
            `Replaces ${replaces.number}${replaces.revision ? ` revision ${replaces.revision}` : ''}. Reason: ${replaces.reason}`,
          ),
          { text: `Changed: ${replaces.changed.join('; ')}.`, margin: [0, 2, 0, 0] } as Content,
        ]
      : []),
    ...(withdraws
      ? [
          bold(
            `Withdraws ${withdraws.number}${withdraws.revision ? ` revision ${withdraws.revision}` : ''}. Reason: ${withdraws.reason}`,
          ),
          { text: `Content hash of the withdrawn document: ${withdraws.hash}`, font: 'Mono', fontSize: 7 } as Content,
        ]
      : []),
  ];
}

function conditions({ environment, references }: CertificateVersion2): string {
  const by = (id: string | null) => {
    const found = references.find((one) => one.id === id);
    return found ? ` (${found.name} ${found.lot})` : '';
  };
  const text = (one: MeasuredText | null, unit: string) =>
    one ? `${minus(one.value)}${one.expanded ? ` ± ${one.expanded}` : ''} ${unit}${by(one.equipment)}` : '';
  return (
    [
      text(environment.temperatureC, '°C'),
      text(environment.pressureHPa, 'hPa'),
      text(environment.humidityPercent, '% relative humidity'),
    ]
      .filter(Boolean)
      .join(', ') || 'not recorded'
  );
}

function reference(one: ReferenceText): Content {
  const values = one.values
    .map(({ quantity, value, expanded, k, unit }) =>
      value
        ? `${quantity} ${value} ${unit}${expanded ? ` ± ${expanded} ${unit} (k = ${k})` : ''}`
        : expanded
          ? `${quantity}: U = ${expanded} ${unit} (k = ${k})`
          : quantity,
    )
    .join('; ');
  const corrections = (one.corrections ?? []).map(({ at, correction }) => `${minus(correction)} at ${at}`).join(', ');
  const lot = [
    one.lot && `lot ${one.lot}`,
    one.certificate && `certificate ${one.certificate}${one.issuer ? ` of ${one.issuer}` : ''}`,
    one.expires && `good until ${day(one.expires)}`,
  ];
  return facts([
    [one.name, [lot.filter(Boolean).join(', '), values].filter(Boolean).join('\n') || ' '],
    ['Corrections applied', corrections],
    ['Traceability', one.traceability],
  ]);
}

function channels({ item }: CertificateVersion2): Content {
  const headRow = ['Channel', 'Range', 'Step', 'Tolerance', 'Sensor'].map(quiet);
  const rows = item.channels.map((channel): TableCell[] => [
    `${channel.label}, ${channel.measurand}`,
    channel.range,
    channel.resolution,
    [channel.tolerance, channel.scale].filter(Boolean).join('\n'),
    channel.status === 'fitted' ? channel.sensorSerial || '—' : channel.status === 'removed' ? 'not fitted' : 'not calibrated',
  ]);
  return {
    table: { headerRows: 1, widths: ['auto', 'auto', 'auto', '*', 'auto'], body: [headRow, ...rows] },
    layout: RULES,
    fontSize: 8.5,
  };
}

/** Two rows a point: as found and as left, each with its own reference, limits and uncertainty. */
function results(lines: ResultText[]): Content {
  const headRow = ['Channel, point', '', 'Unit', 'Reference', 'Reading', 'Deviation', 'Limits ±', 'U (k)', 'Verdict'].map(quiet);
  const side = (judged: JudgedText | null, word: string, line: ResultText): TableCell[] => {
    if (!judged) return [quiet(word), line.unit.shown, { text: 'not measured', colSpan: 6 }, '', '', '', '', ''];
    return [
      quiet(word),
      line.unit.shown,
      mono(judged.reference ?? '—'),
      mono(judged.reading),
      mono(judged.deviation ?? '—'),
      mono(judged.limits?.upper ?? '—'),
      judged.expanded ? mono(`${judged.expanded} (${judged.k})`) : '—',
      { text: VERDICT[judged.verdict], bold: judged.verdict === 'outside' },
    ];
  };
  const rows = lines.flatMap((line): TableCell[][] => {
    const name: TableCell = { text: `${line.label}, ${inSentence(line.point)}`, rowSpan: 2 };
    const notes = [
      line.note,
      line.found?.why && `As found: ${line.found.why}`,
      line.left?.why && line.left.why !== line.found?.why ? `As left: ${line.left.why}` : '',
    ]
      .filter(Boolean)
      .join(' ');
    return [
      [name, ...side(line.found, 'as found', line)],
      ['', ...side(line.left, 'as left', line)],
      ...(notes
        ? [[{ text: notes, colSpan: 9, color: PAPER.quiet, fontSize: 7.5 }, ...Array<TableCell>(8).fill('')] as TableCell[]]
        : []),
    ];
  });
  return {
    table: {
      headerRows: 1,
      keepWithHeaderRows: 2,
      dontBreakRows: true,
      widths: ['*', ...Array<string>(8).fill('auto')],
      body: [headRow, ...rows],
    },
    layout: RULES,
    fontSize: 8,
  };
}

function more(content: CertificateVersion2): Content[] {
  const { conformity, checks, bumps, settings } = content;
  return [
    ...(content.probes.length
      ? [heading('Probes'), facts(content.probes.map(({ label, lines }) => [label, lines.join('; ')] as [string, string]))]
      : []),
    heading('Adjustments'),
    list(content.adjustments),
    ...(bumps.length
      ? [
          heading('Bump tests'),
          list(bumps.map((one) => `Bump, ${one.kind}: ${one.verdict}. ${[...one.channels, ...one.outputs].join('; ')}.`)),
        ]
      : []),
    ...(checks.length ? [heading('Looked at'), list([checks.map((one) => `${one.what}: ${one.answer}`).join('; ') + '.'])] : []),
    ...(settings.length
      ? [
          heading('Settings changed'),
          list(
            settings.map(
              (one) =>
                `${one.what}: ${one.before} before, ${one.after} after${one.agreedBy ? `, agreed by ${one.agreedBy}` : ''}.`,
            ),
          ),
        ]
      : []),
    heading('Statement of conformity'),
    list([
      ...conformity.sentences,
      `Against: ${conformity.specification.name} (${WHOSE[conformity.specification.whose]}).`,
      ...(conformity.covers.length ? [`Covers: ${conformity.covers.join('; ')}.`] : []),
      ...(conformity.notJudged.length ? [`Not covered: ${conformity.notJudged.join('; ')}`] : []),
      `Decision rule: ${conformity.ruleText}`,
    ]),
    heading('Further statements'),
    list([
      ...content.suppliedByCustomer.map((line) => `Supplied by the customer: ${line}`),
      ...(content.resultsOfOthers.length ? content.resultsOfOthers : ['Results of others: none.']),
      ...content.remarks,
      ...content.notices,
    ]),
  ];
}

const WHOSE = { maker: 'the maker’s', customer: 'the customer’s', workshop: 'the workshop’s', standard: 'of a standard' };

function signed(content: CertificateVersion2, code: { hash: string; verify: string; keys: string[] }): Content {
  const { authorisation, previous, software } = content;
  const small = (text: string): Content => ({ text, font: 'Mono', fontSize: 6.5, color: PAPER.quiet });
  return {
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
              { text: authorisation.name, bold: true },
              `, ${authorisation.function}, who ${authorisation.meaning}, ${day(content.dates.issued)}`,
            ],
          },
          { ...(small(`Content hash (SHA-256) ${code.hash}`) as object), margin: [0, 8, 0, 0] } as Content,
          small(`Document before this one: ${previous ? `${previous.number}, ${previous.hash}` : say({ code: 'changed.none' })}`),
          small(`Keys of this workshop: ${code.keys.join(', ')}`),
          small(`${software.name} ${software.version} (${software.commit.slice(0, 12)})`),
          { text: `Check this document: ${code.verify}`, fontSize: 8, color: PAPER.quiet },
        ],
      },
      { width: 'auto', qr: code.verify, fit: 78, eccLevel: 'M' },
    ],
  };
}
