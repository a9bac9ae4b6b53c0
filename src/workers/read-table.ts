import { unzipSync, strFromU8 } from 'fflate';
import Papa from 'papaparse';
import { readSheet } from 'read-excel-file/universal';
import '@/core/words/en/imports';

export const MOST_MB = 30;
const LONGEST_CELL = 500;
/** A workbook that unpacks to more than so much is no list of instruments. */
const MOST_UNPACKED = 600e6;

/** Why a file is not read; said by the page in words. */
export type NotRead =
  | { code: 'import.large'; numbers: { size: number; most: number } }
  | { code: 'import.merged'; numbers: { cells: string } }
  | { code: 'import.kindOf' | 'import.macros' | 'import.encrypted' | 'import.empty' };
export interface Table {
  columns: string[];
  rows: string[][];
  /** Its letters were no UTF-8. */
  guessedLetters: boolean;
}

/** What a reader refused, as a value. */
export class Unreadable extends Error {
  constructor(readonly why: NotRead) {
    super(why.code);
  }
}
const refuse = (why: NotRead): never => {
  throw new Unreadable(why);
};

/**
 * A table from the bytes of a CSV or XLSX file: the first row that has anything is its headings, rows without anything are left out, cells are texts (days ISO 8601).
 * Errors: Unreadable, with why in a code: too large, no table, macros, joined cells, damaged or with a password, empty. Sources: RFC 4180; ISO/IEC 29500-1 (mergeCells, 18.3.1.55).
 */
export async function readTable(bytes: Uint8Array, name: string): Promise<Table> {
  if (bytes.length > MOST_MB * 1e6)
    refuse({ code: 'import.large', numbers: { size: Math.ceil(bytes.length / 1e6), most: MOST_MB } });
  const kind = kindOf(bytes, name);
  const { cells, guessedLetters } =
    kind === 'xlsx' ? { cells: await readWorkbook(bytes), guessedLetters: false } : readText(bytes);
  const filled = cells.filter((row) => row.some((cell) => cell !== ''));
  const [columns, ...rows] = filled;
  if (!columns || rows.length === 0) return refuse({ code: 'import.empty' });
  // A heading that is missing is still a column.
  const width = Math.max(columns.length, ...rows.slice(0, 100).map((row) => row.length));
  const named = Array.from({ length: width }, (_one, index) => columns[index] || `column ${index + 1}`);
  return { columns: named, rows: rows.map((row) => row.slice(0, width)), guessedLetters };
}

/** By what it begins with, not by what it is called. */
function kindOf(bytes: Uint8Array, name: string): 'xlsx' | 'csv' {
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return 'xlsx';
  // The container of older workbooks, and of those with a password (MS-CFB, 2.2).
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf)
    return refuse({ code: /\.xls$/i.test(name) ? 'import.kindOf' : 'import.encrypted' });
  // Text has no zero bytes, unless it is UTF-16, which begins with its mark.
  const marked = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff);
  if (!marked && bytes.subarray(0, 4096).includes(0)) return refuse({ code: 'import.kindOf' });
  return 'csv';
}

function readText(bytes: Uint8Array): { cells: string[][]; guessedLetters: boolean } {
  const [text, guessedLetters] = decode(bytes);
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  return { cells: data.map((row) => row.map(cellText)), guessedLetters };
}

function decode(bytes: Uint8Array): [string, boolean] {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return [new TextDecoder('utf-16le').decode(bytes), false];
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return [new TextDecoder('utf-16be').decode(bytes), false];
  try {
    return [new TextDecoder('utf-8', { fatal: true }).decode(bytes), false];
  } catch {
    return [new TextDecoder('windows-1252').decode(bytes), true];
  }
}

async function readWorkbook(bytes: Uint8Array): Promise<string[][]> {
  let unpacked = 0;
  let macros = false;
  let joined: string[] = [];
  try {
    // Only the first sheet is unpacked here, to see what a reader of cells passes over.
    const parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        unpacked += originalSize;
        macros ||= /vbaProject\.bin$/i.test(name);
        return /^xl\/worksheets\/sheet1\.xml$/.test(name) && originalSize < MOST_UNPACKED;
      },
    });
    const [sheet] = Object.values(parts);
    joined = sheet ? [...strFromU8(sheet).matchAll(/<mergeCell ref="([A-Z0-9:]+)"/g)].map((one) => one[1]!) : [];
  } catch {
    refuse({ code: 'import.encrypted' });
  }
  if (unpacked > MOST_UNPACKED) refuse({ code: 'import.large', numbers: { size: Math.ceil(unpacked / 1e6), most: MOST_MB } });
  if (macros) refuse({ code: 'import.macros' });
  if (joined.length) refuse({ code: 'import.merged', numbers: { cells: joined.slice(0, 5).join(', ') } });
  try {
    const rows = await readSheet(new Blob([bytes as BlobPart]));
    return rows.map((row) => row.map(cellText));
  } catch {
    return refuse({ code: 'import.encrypted' });
  }
}

/** Days as ISO 8601, whole days without a time; everything else as it is written. */
function cellText(value: unknown): string {
  if (value === null || value === undefined) return '';
  const text = value instanceof Date ? value.toISOString().replace(/T00:00:00\.000Z$/, '') : String(value);
  return text.trim().slice(0, LONGEST_CELL);
}
