import Papa from 'papaparse';
import { readStationRecord, readStationRow, type StationRow } from '@/core/station/station-row';

export interface LogLine {
  line: number;
  row: StationRow | null;
  why: string;
}
/** More rows than this are refused: a station writes a few hundred a day. */
export const MOST_ROWS = 5000;

/**
 * The rows of a station's log, CSV or JSON lines, each with its line and either what it says or why it can't be taken. Never throws: a file is whatever somebody gives.
 *
 * @example
 * readLog('{"station":"D1"}') // [{ line: 1, row: null, why: 'the time is missing' }]
 */
export function readLog(text: string): LogLine[] {
  const clean = text.replace(/^\uFEFF/, '');
  return /^\s*[{[]/.test(clean) ? readJsonLines(clean) : readCsv(clean);
}

function readJsonLines(text: string): LogLine[] {
  return text
    .split(/\r?\n/)
    .slice(0, MOST_ROWS * 2)
    .flatMap((line, index): LogLine[] => {
      if (!line.trim()) return [];
      try {
        return [toLine(index + 1, readStationRow(JSON.parse(line)))];
      } catch {
        return [{ line: index + 1, row: null, why: 'this line is no JSON' }];
      }
    })
    .slice(0, MOST_ROWS);
}

function readCsv(text: string): LogLine[] {
  if (!text.trim()) return [];
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS,
    // A column twice is a broken header; the second would hide the first.
    transformHeader: (name) => name.trim().toLowerCase(),
  });
  if (!meta.fields?.includes('serial'))
    return [{ line: 1, row: null, why: 'the first line names no column “serial”: this is no station log' }];
  return data.map((record, index) => {
    const broken = errors.find((error) => error.row === index);
    const line = index + 2;
    // A row that is too short says less than it should; each missing figure is named by the reader.
    if (broken && broken.code !== 'TooFewFields') return { line, row: null, why: broken.message };
    return toLine(line, readStationRecord(record));
  });
}

const toLine = (line: number, read: ReturnType<typeof readStationRow>): LogLine =>
  read.ok ? { line, row: read.row, why: '' } : { line, row: null, why: read.why };
