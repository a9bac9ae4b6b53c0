import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import type { CertificateVersion2 } from '@/core/certificate';

const SAMPLES = join(process.cwd(), 'docs', 'samples');
const textOf = (name: string) => execFileSync('pdftotext', ['-layout', join(SAMPLES, `${name}.pdf`), '-'], { encoding: 'utf8' });
const contentOf = (name: string) =>
  (JSON.parse(readFileSync(join(SAMPLES, `${name}.json`), 'utf8')) as { content: CertificateVersion2 }).content;
/** Reference, reading, deviation of a printed line; poppler reads the paper, nothing of ours. */
const printed = (text: string) =>
  [...text.matchAll(/as (found|left) +\S+ +([\d.−]+) +([\d.−]+) +([\d.−]+) +[\d.]+ +([\d.]+) \(([\d.]+)\) +(\w+)/g)].map(
    ([, side, reference, reading, deviation, expanded]) => ({
      side,
      reference: reference!.replace('−', '-'),
      reading: reading!.replace('−', '-'),
      deviation: deviation!.replace('−', '-'),
      expanded: expanded!,
    }),
  );
const places = (text: string) => text.split('.')[1]?.length ?? 0;

describe('the unlucky day on paper, read by an outside program', () => {
  it.each(['four-gas-bottle-changed', 'ph-two-buffers-two-temperatures', 'ph-three-buffers', 'oxygen-at-altitude', 'revision'])(
    '%s: every printed line adds up in its own digits, U has two significant ones and no more decimals than the deviation',
    (name) => {
      const lines = printed(textOf(name));
      const stated = contentOf(name).results.flatMap((line) => [line.found, line.left].filter((one) => one?.expanded));
      expect(lines.length).toBe(stated.length);
      for (const { reference, reading, deviation, expanded } of lines) {
        expect((Number(reading) - Number(reference)).toFixed(places(deviation)).replace(/^-(0\.?0*)$/, '$1')).toBe(deviation);
        expect(places(deviation)).toBe(Math.max(places(reference), places(reading)));
        expect(places(expanded)).toBeLessThanOrEqual(places(deviation));
        expect(expanded.replace(/^0\.0*|\./g, '').length).toBeLessThanOrEqual(2 + (Number(expanded) >= 100 ? 1 : 0));
      }
    },
  );
  it('a bottle changed in mid-run: as found stands beside its own value, as left beside the other bottle’s', () => {
    const of = (side: string) =>
      printed(textOf('four-gas-bottle-changed'))
        .filter((one) => one.side === side)
        .map((one) => Number(one.reference));
    expect(of('found')).toEqual([18, 50, 25, 100]);
    expect(of('left').slice(-4)).toEqual([17, 44, 20, 60]);
  });
  it('two temperatures: the same buffer is worth something else as found and as left', () => {
    const lines = printed(textOf('ph-two-buffers-two-temperatures')).filter((one) => /^7\.0/.test(one.reference));
    // Technical buffer 7.00: 7.02 at 20 °C, 7.00 at 25 °C (bottle label, common practice), in between at 20.4 and 24.1 °C.
    expect(lines.map((one) => Number(one.reference))).toEqual([expect.closeTo(7.018, 2), expect.closeTo(7.004, 2)]);
    expect(lines[0]!.reference).not.toBe(lines[1]!.reference);
  });
});
