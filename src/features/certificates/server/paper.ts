import { format, parseISO } from 'date-fns';
import type { Language } from '@/core/words/say';
import type { Content, ContentTable, TableCell } from 'pdfmake/interfaces';

/** What every layout on paper is made of. */
export const PAPER = { ink: '#1f2a26', quiet: '#66706a', green: '#1d4a3f', line: '#b9b3a4', ground: '#f4efe4' };

/** A day as the language of the document writes it. */
export const day = (date: string, language: Language = 'en') =>
  format(parseISO(date), language === 'de' ? 'dd.MM.yyyy' : 'd MMM yyyy');
export const heading = (text: string): Content => ({
  text,
  bold: true,
  fontSize: 11,
  color: PAPER.green,
  margin: [0, 9, 0, 3],
  headlineLevel: 1,
});
export const RULES: ContentTable['layout'] = {
  hLineWidth: (row, node) => (row === 0 || row === node.table.body.length ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => PAPER.line,
  paddingLeft: () => 0,
  paddingRight: () => 8,
  paddingTop: () => 1,
  paddingBottom: () => 1,
};

export function facts(rows: [string, string][]): Content {
  return {
    table: {
      widths: [112, '*'],
      body: rows.filter(([, value]) => value).map(([name, value]): TableCell[] => [{ text: name, color: PAPER.quiet }, value]),
    },
    layout: { ...(RULES as object), hLineWidth: () => 0 },
  };
}

export const list = (lines: string[]): Content => ({ stack: lines.map((line) => ({ text: line, margin: [0, 0, 0, 2] })) });

/** A true minus before figures. */
export const minus = (text: string | null): string => (text ?? '—').replace(/^-/, '−');
