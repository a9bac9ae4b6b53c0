import ExcelJS from 'exceljs';
import { zipSync, strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { MOST_MB, readTable, Unreadable } from './read-table';

const text = (given: string) => new TextEncoder().encode(given);
const why = async (bytes: Uint8Array, name = 'list.csv') => {
  try {
    await readTable(bytes, name);
  } catch (error) {
    if (error instanceof Unreadable) return error.why;
    throw error;
  }
  return null;
};

describe('tables that people have', () => {
  it.each([
    ['commas', 'Customer,Serial\nQuay Works,A-1\n'],
    ['semicolons', 'Customer;Serial\r\nQuay Works;A-1\r\n'],
    ['tabs', 'Customer\tSerial\nQuay Works\tA-1'],
    ['a mark of its letters, empty rows and quotes', '\ufeff\n,,\n"Customer","Serial"\n\n"Quay Works","A-1"\n,\n'],
  ])('%s (RFC 4180 and common practice)', async (_name, given) =>
    expect(await readTable(text(given), 'list.csv')).toEqual({
      columns: ['Customer', 'Serial'],
      rows: [['Quay Works', 'A-1']],
      guessedLetters: false,
    }),
  );
  it('letters that are no UTF-8 are read as Windows-1252, and it is said', async () => {
    const bytes = new Uint8Array([...text('Customer\nM'), 0xfc, ...text('hle\n')]);
    expect(await readTable(bytes, 'list.csv')).toMatchObject({ rows: [['Mühle']], guessedLetters: true });
  });
  it('UTF-16 with its mark is read', async () => {
    const bytes = new Uint8Array(Buffer.from('\ufeffCustomer\nMühle\n', 'utf16le'));
    expect(await readTable(bytes, 'list.csv')).toMatchObject({ columns: ['Customer'], rows: [['Mühle']] });
  });

  // Workbooks are made by another library than the one that reads them.
  const workbook = async (fill: (sheet: ExcelJS.Worksheet) => void) => {
    const book = new ExcelJS.Workbook();
    fill(book.addWorksheet('Instruments'));
    return new Uint8Array(await book.xlsx.writeBuffer());
  };
  it('a workbook: days as ISO 8601, figures as they are, formulas by their result', async () => {
    const bytes = await workbook((sheet) => {
      sheet.addRow(['Customer', 'Serial', 'Due', 'No']);
      sheet.addRow(['Quay Works', 10234, new Date(Date.UTC(2027, 2, 4)), { formula: '1+1', result: 2 }]);
    });
    expect(await readTable(bytes, 'list.xlsx')).toMatchObject({
      columns: ['Customer', 'Serial', 'Due', 'No'],
      rows: [['Quay Works', '10234', '2027-03-04', '2']],
    });
  });
  it('joined cells, macros, a password, no table, nothing in it, too large: each is said', async () => {
    const joined = await workbook((sheet) => {
      sheet.addRow(['Customer', 'Serial']);
      sheet.addRow(['Quay Works', 'A-1']);
      sheet.mergeCells('A2:B2');
    });
    expect(await why(joined, 'list.xlsx')).toEqual({ code: 'import.merged', numbers: { cells: 'A2:B2' } });
    expect(await why(zipSync({ 'xl/vbaProject.bin': strToU8('x') }), 'list.xlsm')).toEqual({ code: 'import.macros' });
    expect(await why(new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]), 'list.xlsx')).toEqual({ code: 'import.encrypted' });
    expect(await why(new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]), 'list.xls')).toEqual({ code: 'import.kindOf' });
    expect(await why(new Uint8Array([0x50, 0x4b, 3, 4, 9, 9]), 'list.xlsx')).toEqual({ code: 'import.encrypted' });
    expect(await why(new Uint8Array([0xff, 0xd8, 0, 0, 1]), 'list.csv')).toEqual({ code: 'import.kindOf' });
    expect(await why(text('Customer,Serial\n\n,\n'))).toEqual({ code: 'import.empty' });
    expect(await why(text(''))).toEqual({ code: 'import.empty' });
    expect(await why(new Uint8Array(MOST_MB * 1e6 + 1))).toMatchObject({ code: 'import.large' });
  });
});
