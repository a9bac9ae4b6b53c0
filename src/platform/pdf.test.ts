import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { drawDefinition } from './pdf';

/** As poppler reads it. */
function textOf(pdf: Buffer): string {
  const file = join(mkdtempSync(join(tmpdir(), 'werkbank-pdf-')), 'one.pdf');
  writeFileSync(file, pdf);
  return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
}

// Serials and thumbprints are what people and chance make them: a document with any of them can be drawn, and is read back sign by sign.
it.each(['__giQN6MxtqSe', 'A--17', '0x1F==', 'a->b', '<=>', '!=', '...', 'www', '***', '|||', '###', ':::', '/*1*/', '&&'])(
  'in the mono, “%s” is drawn as it stands',
  async (text) => {
    const bold = { text, font: 'Mono', bold: true };
    const pdf = await drawDefinition({ content: [{ text, font: 'Mono' }, { stack: [bold] }], defaultStyle: { font: 'Sans' } });
    expect(
      textOf(pdf)
        .split('\n')
        .map((line) => line.trim())
        .filter(Boolean),
    ).toEqual([text, text]);
  },
);
