import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { often } from '@/core/often.fixture';
import { csvHeader, csvLine } from '@/standins/station/write-log';
import type { StationRow } from '@/core/station/station-row';
import { readLog } from './read-log';

const row: StationRow = {
  station: 'Dock 1',
  at: '2026-11-25T07:00:00.000Z',
  maker: 'Vantling',
  model: 'VT-60',
  serial: 'VD-1001',
  kind: 'bump',
  passed: true,
  gases: [{ lot: 'FG-1402', expires: '2027-12-31' }],
  outputs: { sound: true, light: true, vibration: false },
  channels: [
    { measurand: 'oxygen', unit: '%vol', target: '18', before: '20.9', after: '18.1', moved: true, t90Seconds: 12 },
    { measurand: 'carbon monoxide', unit: 'ppm', target: '100', before: '0', after: '98', moved: true },
  ],
};
const csv = (...rows: StationRow[]) => [csvHeader(), ...rows.map((one) => csvLine(one))].join('\n');

describe('a station’s log', () => {
  it('says the same in CSV and in JSON lines', () => {
    expect(readLog(csv(row))).toEqual([{ line: 2, row, why: '' }]);
    expect(readLog(JSON.stringify(row))).toEqual([{ line: 1, row, why: '' }]);
    expect(readLog(`\uFEFF${csv(row).replaceAll('\n', '\r\n')}`)[0]!.row).toEqual(row);
  });
  it('a station with one bottle names it alone; one with several says which channel was tried with which', () => {
    const { gases, ...rest } = row;
    expect(readLog(JSON.stringify({ ...rest, gas: gases[0] }))[0]!.row).toEqual(row);
    const several = {
      ...row,
      gases: [...row.gases, { lot: 'CO-7', expires: '2027-06-30' }, { lot: 'H2S-3' }],
      intervalDays: 30,
      channels: row.channels.map((one, index) => ({ ...one, lot: index ? 'CO-7' : 'FG-1402' })),
    };
    expect(readLog(csv(several))[0]!.row).toEqual(several);
    expect(readLog(JSON.stringify(several))[0]!.row).toEqual(several);
    const stray = { ...several, channels: [{ ...row.channels[0], lot: 'NONE-1' }] };
    expect(readLog(JSON.stringify(stray))[0]!.why).toMatch(/NONE-1, which is none of its bottles/);
    const five = { ...row, gases: Array.from({ length: 5 }, (_one, index) => ({ lot: `L-${index}` })) };
    expect(readLog(JSON.stringify(five))[0]!.why).toMatch(/four bottles/);
  });
  // RFC 4180, section 2, rules 5 to 7: fields with commas, line breaks and doubled quotes stand in quotes.
  it('quoted fields with comma, doubled quote and line break, as in RFC 4180', () => {
    const odd = { ...row, station: 'Dock "1", east' };
    expect(csvLine(odd)).toContain('"Dock ""1"", east"');
    expect(readLog(csv(odd))[0]!.row!.station).toBe('Dock "1", east');
    expect(readLog('serial,station\n"A\n1","x"').length).toBe(1);
  });
  it.each([
    ['no time', { at: undefined }, /time is missing/],
    ['a time that is none', { at: 'yesterday' }, /time is none/],
    ['another kind', { kind: 'wash' }, /neither bump nor calibration/],
    ['no channel', { channels: [] }, /no channel/],
    ['a target that is no number', { channels: [{ ...row.channels[0], target: 'high' }] }, /target is no number/],
    ['a negative T90', { channels: [{ ...row.channels[0], t90Seconds: -1 }] }, /T90 is negative/],
    ['a serial with signs that none has', { serial: '<b>' }, /serial has signs/],
    ['an interval that is none', { intervalDays: 0 }, /interval is no number of days/],
    ['an expiry that is no date', { gases: [{ lot: 'L', expires: 'soon' }] }, /expiry of the gas/],
  ])('%s is said with its line, the others are taken', (_name, change, why) => {
    const lines = readLog(
      [JSON.stringify(row), JSON.stringify({ ...row, ...change }), JSON.stringify({ ...row, serial: 'B-2' })].join('\n'),
    );
    expect(lines.map((one) => Boolean(one.row))).toEqual([true, false, true]);
    expect(lines[1]).toMatchObject({ line: 2, why: expect.stringMatching(why) });
  });
  it('something that is no log says so', () => {
    expect(readLog('')).toEqual([]);
    expect(readLog('hello there')[0]!.why).toContain('no station log');
    expect(readLog('{broken')[0]!.why).toBe('this line is no JSON');
    expect(readLog('a,b\n1,2')[0]!.row).toBeNull();
  });
  it('thousands of files of anything: nothing is thrown, every row that is taken is whole', () => {
    const cell = fc.oneof(fc.string({ maxLength: 12 }), fc.constantFrom('pass', 'bump', '2026-11-25T07:00:00Z', '"', ',', '18'));
    const table = fc
      .array(fc.array(cell, { maxLength: 14 }), { maxLength: 5 })
      .map((rows) => [csvHeader(1), ...rows.map((one) => one.join(','))].join('\n'));
    const object = fc
      .record(
        {
          station: fc.anything(),
          at: fc.anything(),
          serial: fc.anything(),
          channels: fc.anything(),
          gas: fc.anything(),
          kind: fc.anything(),
          passed: fc.anything(),
        },
        { requiredKeys: [] },
      )
      .map((value) => {
        try {
          return JSON.stringify({ ...row, ...value });
        } catch {
          return '{';
        }
      });
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          table,
          fc.array(object, { maxLength: 4 }).map((lines) => lines.join('\n')),
        ),
        (text) => {
          for (const line of readLog(text)) {
            if (line.row) expect(Number.isNaN(Date.parse(line.row.at))).toBe(false);
            else expect(line.why).not.toBe('');
          }
        },
      ),
      { numRuns: often(10_000) },
    );
  }, 120_000);
});
