import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { often } from '@/core/often.fixture';
import { readTable } from './read-table';

describe('a lot’s own temperature table, typed or pasted', () => {
  it.each([
    ['comma', '20,7.02\n25,7.00'],
    ['semicolon and decimal comma', '20;7,02\n25;7,00'],
    ['tab, as a spreadsheet pastes', '20\t7.02\n25\t7.00\n'],
    ['spaces, with a heading', '°C pH\n20 7.02\n25 7.00'],
    ['quoted cells (RFC 4180)', '"20","7.02"\r\n"25","7.00"'],
  ])('%s', (_name, text) => {
    expect(readTable(text)).toEqual({
      rows: [
        [20, 7.02],
        [25, 7],
      ],
    });
  });
  it.each([
    ['20,7.02', /at least two/],
    ['25,7.00\n20,7.02', /Line 2: temperatures have to rise/],
    ['20,7.02\n25,seven', /Line 2: .*not a temperature and a value/],
    ['20,7.02,1\n25,7.00,2', /Line 1/],
    ['20,7.02\n250,7.00', /250 is not from -5 to 100/],
  ])('%j is refused by line', (text, problem) => {
    expect(readTable(text)).toMatchObject({ problem: expect.stringMatching(problem) as string });
  });
  it('whatever is pasted, it is a rising table or a sentence (thousands of texts)', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'0123456789.,;\t\n -+e°"x') }), (text) => {
        const read = readTable(text);
        if ('rows' in read) {
          expect(read.rows.length).toBeGreaterThan(1);
          read.rows.forEach(([t], i) => expect(i === 0 || t > read.rows[i - 1]![0]).toBe(true));
        } else expect(read.problem.length).toBeGreaterThan(5);
      }),
      { numRuns: often(10_000) },
    );
  });
});
