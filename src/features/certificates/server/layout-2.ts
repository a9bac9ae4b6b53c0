import { inSentence } from '@/core/words/in-sentence';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { CertificateVersion2, JudgedText, MeasuredText, ReferenceText, ResultText } from '@/core/certificate/version-2';
import { say, type Language, type Numbers, type WordCode } from '@/core/words/say';
import { textIn } from '@/procedures/in-language';
import { annexes } from './layout-annexes';
import { day, facts, heading, list, minus, PAPER, RULES } from './paper';
import '@/core/words/en/certificate';
import '@/core/words/en/document';
import '@/core/words/de';

type DocCode = Extract<WordCode, `doc.${string}`>;
/** A word of the document in its language. */
const word = (language: Language, code: DocCode, numbers?: Numbers) => say({ code, ...(numbers ? { numbers } : {}) }, language);
const verdictWord = (language: Language, verdict: JudgedText['verdict']) =>
  verdict === 'outside' ? word(language, 'doc.outside') : say({ code: `verdict.${verdict}` }, language);
const quiet = (text: string): TableCell => ({ text, color: PAPER.quiet });
const mono = (text: string): TableCell => ({ text: minus(text), font: 'Mono' });

/** The body in the order of ISO/IEC 17025:2017, 7.8.2.1: who, what, how, under which conditions, with which references, what came of it. */
export function certificateBody2(
  content: CertificateVersion2,
  code: { hash: string; verify: string; keys: string[]; logo?: string | undefined },
): Content[] {
  const { customer, item, dates, method, language } = content;
  const w = (code: DocCode, numbers?: Numbers) => word(language, code, numbers);
  const on = (date: string) => day(date, language);
  const withdrawn = content.withdraws;
  return [
    head(content, code.logo),
    ...notices(content),
    heading(w('doc.customerAndItem')),
    facts([
      [w('doc.customer'), [customer.name, customer.address].filter(Boolean).join(', ')],
      [w('doc.contact'), customer.contact],
      [w('doc.item'), w('doc.itemLine', { maker: item.maker, model: item.model, serial: item.serial })],
      [w('doc.tag'), item.tag],
      [w('doc.condition'), item.condition.join('; ')],
      [
        w('doc.dates'),
        w(content.kind === 'notCalibrated' ? 'doc.datesLooked' : 'doc.datesLine', {
          received: on(dates.received),
          calibrated: span(dates.calibrated, language),
          issued: on(dates.issued),
        }),
      ],
      [w('doc.nextDue'), content.due ? w('doc.nextDueLine', { day: on(content.due.date), reason: content.due.reason }) : ''],
    ]),
    ...(withdrawn
      ? []
      : [
          heading(w('doc.methodAndConditions')),
          facts([
            [w('doc.method'), method.text],
            [w('doc.procedure'), w('doc.procedureLine', { procedure: method.procedure, document: method.document })],
            [w('doc.conditions'), conditions(content)],
            [w('doc.deviations'), content.deviations.join(' ') || w('doc.none')],
          ]),
          heading(w('doc.references')),
          ...content.references.map((one) => reference(one, language)),
          heading(w('doc.channels')),
          channels(content),
          ...(content.results.length ? [heading(w('doc.results')), results(content.results, language)] : []),
          { text: content.uncertainty, fontSize: 8.5, color: PAPER.quiet, margin: [0, 4, 0, 0] } as Content,
          ...more(content),
        ]),
    signed(content, code),
    ...annexes(content),
    { text: w('doc.end'), alignment: 'center', color: PAPER.quiet, margin: [0, 12, 0, 0] },
  ];
}

const span = ({ from, to }: { from: string; to: string }, language: Language) =>
  from === to ? day(from, language) : word(language, 'doc.span', { from: day(from, language), to: day(to, language) });

function head({ laboratory, title, number, revision, place, language }: CertificateVersion2, logo?: string): Content {
  return {
    columns: [
      {
        width: '*',
        stack: [
          ...(logo ? [{ image: logo, fit: [140, 48], margin: [0, 0, 0, 6] } as Content] : []),
          { text: laboratory.name, bold: true, fontSize: 13, color: PAPER.green },
          laboratory.address,
          { text: laboratory.contact, color: PAPER.quiet },
          { text: word(language, 'doc.doneAt', { place }), color: PAPER.quiet },
        ],
      },
      {
        width: 'auto',
        stack: [
          { text: title, bold: true, fontSize: 15, alignment: 'right' },
          {
            text: `${number}${revision ? `  ${word(language, 'doc.revision', { revision })}` : ''}`,
            font: 'Mono',
            fontSize: 12,
            alignment: 'right',
          },
        ],
      },
    ],
  };
}

function notices({ replaces, withdraws, language }: CertificateVersion2): Content[] {
  const named = ({ number, revision }: { number: string; revision: number }) =>
    `${number}${revision ? ` ${word(language, 'doc.revision', { revision })}` : ''}`;
  const bold = (text: string): Content => ({ text, bold: true, margin: [0, 8, 0, 0] });
  return [
    ...(replaces
      ? [
          bold(word(language, 'doc.replaces', { number: named(replaces), reason: replaces.reason })),
          { text: word(language, 'doc.changed', { what: replaces.changed.join('; ') }), margin: [0, 2, 0, 0] } as Content,
        ]
      : []),
    ...(withdraws
      ? [
          bold(word(language, 'doc.withdraws', { number: named(withdraws), reason: withdraws.reason })),
          { text: word(language, 'doc.withdrawnHash', { hash: withdraws.hash }), font: 'Mono', fontSize: 7 } as Content,
        ]
      : []),
  ];
}

function conditions({ environment, references, language }: CertificateVersion2): string {
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
      text(environment.humidityPercent, word(language, 'doc.humidity')),
    ]
      .filter(Boolean)
      .join(', ') || word(language, 'doc.notRecorded')
  );
}

function reference(one: ReferenceText, language: Language): Content {
  const w = (code: DocCode, numbers?: Numbers) => word(language, code, numbers);
  const values = one.values
    .map(({ quantity: id, value, expanded, k, unit }) => ({ quantity: textIn(id, language), value, expanded, k, unit }))
    .map(({ quantity, value, expanded, k, unit }) =>
      value
        ? `${quantity} ${value} ${unit}${expanded ? ` ± ${expanded} ${unit} (k = ${k})` : ''}`
        : expanded
          ? `${quantity}: U = ${expanded} ${unit} (k = ${k})`
          : quantity,
    )
    .join('; ');
  const corrections = (one.corrections ?? [])
    .map(({ at, correction }) => w('doc.correctionAt', { correction: minus(correction), at }))
    .join(', ');
  const { certificate, issuer } = one;
  const lot = [
    one.lot && w('doc.lot', { lot: one.lot }),
    certificate && (issuer ? w('doc.certificateOf', { certificate, issuer }) : w('doc.certificate', { certificate })),
    one.expires && w('doc.goodUntil', { day: day(one.expires, language) }),
  ];
  return facts([
    [one.name, [lot.filter(Boolean).join(', '), values].filter(Boolean).join('\n') || ' '],
    [w('doc.corrections'), corrections],
    [w('doc.traceability'), one.traceability],
  ]);
}

function channels({ item, language }: CertificateVersion2): Content {
  const w = (code: DocCode) => word(language, code);
  const headRow = [w('doc.channel'), w('doc.range'), w('doc.step'), w('doc.tolerance'), w('doc.sensor')].map(quiet);
  const rows = item.channels.map((channel): TableCell[] => [
    `${channel.label}, ${textIn(channel.measurand, language)}`,
    channel.range,
    channel.resolution,
    [channel.tolerance, channel.scale].filter(Boolean).join('\n'),
    channel.status === 'fitted'
      ? channel.sensorSerial || '—'
      : channel.status === 'removed'
        ? w('doc.notFitted')
        : w('doc.notCalibrated'),
  ]);
  return {
    table: { headerRows: 1, widths: ['auto', 'auto', 'auto', '*', 'auto'], body: [headRow, ...rows] },
    layout: RULES,
    fontSize: 8.5,
  };
}

/** Two rows a point: as found and as left, each with its own reference, limits and uncertainty. */
function results(lines: ResultText[], language: Language): Content {
  const w = (code: DocCode, numbers?: Numbers) => word(language, code, numbers);
  const headRow = [
    w('doc.channelPoint'),
    '',
    w('doc.unit'),
    w('doc.reference'),
    w('doc.reading'),
    w('doc.deviation'),
    w('doc.limits'),
    'U (k)',
    w('doc.verdict'),
  ].map(quiet);
  const side = (judged: JudgedText | null, which: string, line: ResultText): TableCell[] => {
    if (!judged) return [quiet(which), line.unit.shown, { text: w('doc.notMeasured'), colSpan: 6 }, '', '', '', '', ''];
    return [
      quiet(which),
      line.unit.shown,
      mono(judged.reference ?? '—'),
      mono(judged.reading),
      mono(judged.deviation ?? '—'),
      mono(judged.limits?.upper ?? '—'),
      judged.expanded ? mono(`${judged.expanded} (${judged.k})`) : '—',
      { text: verdictWord(language, judged.verdict), bold: judged.verdict === 'outside' },
    ];
  };
  const rows = lines.flatMap((line): TableCell[][] => {
    const name: TableCell = { text: `${line.label}, ${language === 'en' ? inSentence(line.point) : line.point}`, rowSpan: 2 };
    const notes = [
      line.note,
      line.found?.why && w('doc.foundWhy', { why: line.found.why }),
      line.left?.why && line.left.why !== line.found?.why ? w('doc.leftWhy', { why: line.left.why }) : '',
    ]
      .filter(Boolean)
      .join(' ');
    return [
      [name, ...side(line.found, w('doc.asFound'), line)],
      ['', ...side(line.left, w('doc.asLeft'), line)],
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
  const { conformity, checks, bumps, settings, language } = content;
  const w = (code: DocCode, numbers?: Numbers) => word(language, code, numbers);
  return [
    ...(content.probes.length
      ? [heading(w('doc.probes')), facts(content.probes.map(({ label, lines }) => [label, lines.join('; ')] as [string, string]))]
      : []),
    heading(w('doc.adjustments')),
    list(content.adjustments),
    ...(bumps.length
      ? [
          heading(w('doc.bumps')),
          list(
            bumps.map((one) =>
              w('doc.bumpLine', {
                kind: one.kind,
                verdict: w(`doc.bump.${one.verdict}`),
                what: [...one.channels, ...one.outputs].join('; '),
              }),
            ),
          ),
        ]
      : []),
    ...(checks.length
      ? [heading(w('doc.lookedAt')), list([checks.map((one) => `${one.what}: ${one.answer}`).join('; ') + '.'])]
      : []),
    ...(settings.length
      ? [
          heading(w('doc.settings')),
          list(
            settings.map(({ what, before, after, agreedBy }) =>
              agreedBy
                ? w('doc.settingAgreed', { what, before, after, by: agreedBy })
                : w('doc.settingLine', { what, before, after }),
            ),
          ),
        ]
      : []),
    heading(w('doc.conformity')),
    list([
      ...conformity.sentences,
      w('doc.against', { name: conformity.specification.name, whose: w(`doc.whose.${conformity.specification.whose}`) }),
      ...(conformity.covers.length ? [w('doc.covers', { what: conformity.covers.join('; ') })] : []),
      ...(conformity.notJudged.length ? [w('doc.notCovered', { what: conformity.notJudged.join('; ') })] : []),
      w('doc.rule', { rule: conformity.ruleText }),
    ]),
    heading(w('doc.further')),
    list([
      ...content.suppliedByCustomer.map((line) => w('doc.supplied', { line })),
      ...(content.resultsOfOthers.length ? content.resultsOfOthers : [w('doc.othersNone')]),
      ...content.remarks,
      ...content.notices,
    ]),
  ];
}

function signed(content: CertificateVersion2, code: { hash: string; verify: string; keys: string[] }): Content {
  const { authorisation, previous, software, language } = content;
  const w = (code: DocCode, numbers?: Numbers) => word(language, code, numbers);
  const small = (text: string): Content => ({ text, font: 'Mono', fontSize: 6.5, color: PAPER.quiet });
  return {
    unbreakable: true,
    margin: [0, 16, 0, 0],
    columns: [
      {
        width: '*',
        stack: [
          { text: [{ text: `${w('doc.calibratedBy')}  `, color: PAPER.quiet }, content.technician] },
          {
            text: [
              { text: `${w('doc.authorisedBy')}  `, color: PAPER.quiet },
              { text: authorisation.name, bold: true },
              w('doc.authorisedLine', {
                function: authorisation.function,
                meaning: authorisation.meaning,
                day: day(content.dates.issued, language),
              }),
            ],
          },
          { ...(small(w('doc.hash', { hash: code.hash })) as object), margin: [0, 8, 0, 0] } as Content,
          small(
            w('doc.before', {
              document: previous ? `${previous.number}, ${previous.hash}` : say({ code: 'changed.none' }, language),
            }),
          ),
          small(w('doc.keys', { keys: code.keys.join(', ') })),
          small(`${software.name} ${software.version} (${software.commit.slice(0, 12)})`),
          { text: w('doc.check', { address: code.verify }), fontSize: 8, color: PAPER.quiet },
        ],
      },
      { width: 'auto', qr: code.verify, fit: 78, eccLevel: 'M' },
    ],
  };
}
