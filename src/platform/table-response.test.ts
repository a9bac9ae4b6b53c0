import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { expect, it } from 'vitest';
import { tableResponse } from './table-response';

const csv = Papa.unparse(
  {
    fields: ['serial', 'due', 'note'],
    data: [
      ['007', '2027-03-04', '=1+1'],
      ['A-1', '', '10.0'],
    ],
  },
  { escapeFormulae: true },
);

it('the same cells as CSV and as a spreadsheet, which another library reads: no formula, days are days, figures as written', async () => {
  const plain = await tableResponse(csv, 'instruments', new Request('http://127.0.0.1/x'));
  expect(plain.headers.get('content-disposition')).toContain('instruments.csv');
  expect(await plain.text()).toContain("'=1+1");
  const answer = await tableResponse(csv, 'instruments', new Request('http://127.0.0.1/x?as=xlsx'));
  expect(answer.headers.get('content-disposition')).toContain('instruments.xlsx');
  const book = new ExcelJS.Workbook();
  await book.xlsx.load(await answer.arrayBuffer());
  const cells = book.worksheets[0]!.getSheetValues()
    .slice(1)
    .map((row) => (row as unknown[]).slice(1));
  expect(cells[0]).toEqual(['serial', 'due', 'note']);
  expect(cells[1]).toEqual(['007', new Date('2027-03-04T00:00:00Z'), '=1+1']);
  expect(book.worksheets[0]!.getCell('C2').type).toBe(ExcelJS.ValueType.String);
  expect(cells[2]![2]).toBe('10.0');
});
