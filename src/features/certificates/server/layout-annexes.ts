import { inSentence } from '@/core/words/in-sentence';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { CertificateVersion2, JudgedText, ResultText } from '@/core/certificate/version-2';
import { say, type Language } from '@/core/words/say';
import { heading, PAPER, RULES } from './paper';
import '@/core/words/en/document';
import '@/core/words/de';

/** Annexes that were asked for: the budget of every result, and the raw traces behind the readings. */
export function annexes(content: CertificateVersion2): Content[] {
  return [
    ...(content.annexes.budgets ? budgetAnnex(content.results, content.language) : []),
    ...(content.annexes.traces ? traceAnnex(content) : []),
  ];
}

const short = (text: string) => String(Number(Number(text).toPrecision(3)));

function budgetAnnex(lines: ResultText[], language: Language): Content[] {
  const budgets = lines.flatMap((line) =>
    (['found', 'left'] as const).flatMap((side) => {
      const judged = line[side];
      // As found that stands for both is one budget.
      return judged?.expanded && !(side === 'left' && line.found?.at === judged.at) ? [budget(line, judged, side, language)] : [];
    }),
  );
  return budgets.length
    ? [{ ...(heading(say({ code: 'doc.annexBudgets' }, language)) as object), pageBreak: 'before' } as Content, ...budgets]
    : [];
}

/** As on the screen: what is little is not nothing. */
const shareOf = (share: number) => (share < 0.01 ? '<\u00a01\u00a0%' : `${(share * 100).toFixed(0)}\u00a0%`);

function distribution({ distribution: name, n }: JudgedText['budget'][number], language: Language): string {
  if (name !== 't') return say({ code: `doc.dist.${name as 'normal'}` }, language);
  return Number(n) > 1 ? say({ code: 'doc.typeARead', numbers: { n: n! } }, language) : say({ code: 'doc.typeA' }, language);
}

function budget(line: ResultText, judged: JudgedText, side: 'found' | 'left', language: Language): Content {
  const variance = Number(judged.standard) ** 2;
  const rows = [...judged.budget]
    .sort((a, b) => Number(b.contribution) - Number(a.contribution))
    .map((one): TableCell[] => [
      one.name,
      { text: one.basis, color: PAPER.quiet },
      distribution(one, language),
      { text: short(one.standard), font: 'Mono', alignment: 'right' },
      { text: short(one.sensitivity), font: 'Mono', alignment: 'right' },
      { text: short(one.contribution), font: 'Mono', alignment: 'right' },
      { text: shareOf(Number(one.contribution) ** 2 / variance), alignment: 'right' },
    ]);
  const head = [
    say({ code: 'doc.component' }, language),
    say({ code: 'doc.basis' }, language),
    say({ code: 'doc.distribution' }, language),
    'u',
    'c',
    'u·c',
    say({ code: 'doc.share' }, language),
  ].map((text): TableCell => ({
    text,
    color: PAPER.quiet,
  }));
  return {
    unbreakable: true,
    margin: [0, 4, 0, 6],
    stack: [
      {
        text: `${line.label}, ${language === 'en' ? inSentence(line.point) : line.point}, ${say({ code: side === 'found' ? 'doc.asFound' : 'doc.asLeft' }, language)}: U = ${judged.expanded} ${line.unit.shown}`,
        bold: true,
      },
      {
        table: { headerRows: 1, widths: [104, '*', 'auto', 'auto', 'auto', 'auto', 'auto'], body: [head, ...rows] },
        layout: RULES,
        fontSize: 7.5,
      },
      {
        text: `u = ${short(judged.standard!)} ${line.unit.shown}, k = ${judged.k}${judged.effectiveDof ? say({ code: 'doc.dof', numbers: { dof: short(judged.effectiveDof) } }, language) : ''}${judged.kReason ? `; ${judged.kReason}` : ''}.`,
        fontSize: 7.5,
        color: PAPER.quiet,
      },
    ],
  };
}

const [WIDE, HIGH] = [230, 70];

/** A trace as it came off the line: value over time, with the hash under which the raw readings are kept. */
function traceAnnex({ traces, item, language }: CertificateVersion2): Content[] {
  const drawn = traces.filter((one) => (one.curve?.length ?? 0) > 1);
  if (drawn.length === 0) return [];
  const pictures = drawn.map((trace): Content => {
    const points = trace.curve!.map(([seconds, text]) => [Number(seconds), Number(text)] as const);
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const at = ([x, y]: readonly [number, number]) => ({
      x: ((x - x0) / (x1 - x0 || 1)) * WIDE,
      y: HIGH - ((y - y0) / (y1 - y0 || 1)) * HIGH,
    });
    return {
      unbreakable: true,
      margin: [0, 4, 0, 8],
      stack: [
        { text: `${trace.label ?? trace.channel}, ${trace.pointLabel ?? trace.point}`, bold: true, fontSize: 8 },
        {
          canvas: [
            { type: 'rect', x: 0, y: 0, w: WIDE, h: HIGH, lineWidth: 0.4, lineColor: PAPER.line },
            { type: 'polyline', points: points.map(at), lineWidth: 0.8, lineColor: PAPER.green },
          ],
        },
        {
          text: say(
            { code: 'doc.traceRange', numbers: { low: y0, high: y1, unit: trace.unit ?? '', seconds: (x1 - x0).toFixed(0) } },
            language,
          ),
          fontSize: 7,
          color: PAPER.quiet,
        },
        { text: trace.hash, font: 'Mono', fontSize: 5.5, color: PAPER.quiet },
      ],
    };
  });
  const pairs = Array.from({ length: Math.ceil(pictures.length / 2) }, (_, index): Content => ({
    columns: [pictures[2 * index]!, pictures[2 * index + 1] ?? ''],
    columnGap: 16,
  }));
  const what = say({ code: 'doc.traceWhat', numbers: { item: `${item.maker} ${item.model} ${item.serial}` } }, language);
  return [
    { ...(heading(say({ code: 'doc.annexTraces' }, language)) as object), pageBreak: 'before' } as Content,
    { text: what, fontSize: 8, color: PAPER.quiet },
    ...pairs,
  ];
}
